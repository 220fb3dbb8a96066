const MARKS: Record<string, { mark: string; word: string; tone: 'calm' | 'go' | 'hands' }> = {
  'needs-art': { mark: '◆', word: 'needs art', tone: 'hands' },
  planning: { mark: '○', word: 'planning', tone: 'calm' },
  failed: { mark: '■', word: 'no route', tone: 'hands' },
  ready: { mark: '◐', word: 'ready', tone: 'go' },
  running: { mark: '▶', word: 'running', tone: 'go' },
  resting: { mark: '∿', word: 'resting', tone: 'calm' },
  waiting: { mark: '○', word: 'waiting', tone: 'calm' },
  done: { mark: '●', word: 'done', tone: 'calm' },
  cancelled: { mark: '■', word: 'cancelled', tone: 'calm' },
  good: { mark: '●', word: 'good', tone: 'calm' },
  reprint: { mark: '◆', word: 'reprint', tone: 'hands' },
  scrap: { mark: '■', word: 'scrap', tone: 'hands' },
};

/** A state as shape and word; colour comes third. */
export function StateMark({ state }: { state: string }) {
  const { mark, word, tone } = MARKS[state] ?? { mark: '○', word: state, tone: 'calm' };
  return (
    <span className="state" data-tone={tone}>
      <span aria-hidden="true">{mark}</span>
      {word}
    </span>
  );
}
