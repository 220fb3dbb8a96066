import type { WeighedPiece } from '@saltflat/core/run';
import type { AmountVerdict, SignalRule } from '@saltflat/core/spray';
import { Row } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** So many of the last are shown. */
const SHOWN = 10;

const MARKS: Record<AmountVerdict, { mark: string; word: string }> = {
  ok: { mark: '●', word: t('right') },
  watch: { mark: '◐', word: t('at the edge') },
  'too-little': { mark: '◆', word: t('too little') },
  'too-much': { mark: '◆', word: t('too much') },
};

const SIGNALS: Record<SignalRule, string> = {
  beyond: t('one far out'),
  'two-of-three': t('two of three far out'),
  'four-of-five': t('drifting to one side'),
  'same-side': t('nine in a row on one side'),
  trend: t('steadily falling or rising'),
  jump: t('it jumps about'),
};

/** Garments weighed in before this one, and what their run says: a question before shirts fail. */
export function WeighedSoFar({ pieces }: { pieces: readonly WeighedPiece[] }) {
  const last = pieces.at(-1);
  if (last === undefined) return null;
  const first = Math.max(0, pieces.length - SHOWN);
  const question = questionOf(last);
  return (
    <div style={{ gridColumn: '1 / -1' }}>
      <Row as="ol" aria-label={t('Weighed so far')} gap={14}>
        {pieces.slice(first).map(({ step, pct, verdict }, i) => (
          <li key={step} style={{ listStyle: 'none' }}>
            <span className="muted">{first + i + 1}</span> {MARKS[verdict].mark}{' '}
            {t('{share} %, {word}', { share: Math.round(pct), word: MARKS[verdict].word })}
          </li>
        ))}
      </Row>
      {question !== '' && (
        <p role="status" style={{ margin: '6px 0 0', fontWeight: 600 }}>
          ◆ {question}
        </p>
      )}
    </div>
  );
}

/** What the last one's run asks; empty where there is nothing to ask. */
function questionOf({ signals, side, pct, isAgain }: WeighedPiece): string {
  const [signal] = signals;
  if (signal === undefined && !isAgain) return '';
  const what = signal === undefined ? t('twice in a row off to one side') : SIGNALS[signal];
  if (signal === 'jump') return t('{what}: the scale, air in the line, the speed of the hand?', { what });
  const isLow = side === null ? pct < 100 : side === 'low';
  return isLow
    ? t('{what}: the nozzle, the pump, the bottle?', { what })
    : t('{what}: the dial, a double pass?', { what });
}
