import { rich, t } from '../../words/index.ts';
import { useEffect, useRef } from 'react';
import { codesOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';
import { Pressable, Swatch, styled } from '../../ui/index.ts';

/** The lines on the floor, each with how far it is. */
export function RunTabs({
  runs,
  chosenId,
  onChoose,
}: {
  runs: readonly LiveRun[];
  chosenId: string | null;
  onChoose: (runId: string) => void;
}) {
  const group = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // on a phone the lines are one strip: the chosen one is never out of sight
    group.current
      ?.querySelector('[aria-pressed=true]')
      ?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [chosenId]);
  return (
    <Strip ref={group} role="group" aria-label={t('Lines on the floor')}>
      {runs.map(({ run, state }) => {
        const left = state.pieces - state.outcomes.length;
        return (
          <Pressable
            key={run.id}
            look="tile"
            isPressed={run.id === chosenId}
            onClick={() => onChoose(run.id)}
            sx={TAB}
          >
            {run.lines.map(({ key, colourHex }) => (
              <Swatch hex={colourHex} key={key} />
            ))}
            <span className="code">{codesOf(run)}</span>
            <span>
              {rich('{length} of {pieces} judged', { length: state.outcomes.length, pieces: state.pieces })}
            </span>
            <span className="muted small">{left === 0 ? t('finished') : t('{left} to go', { left })}</span>
          </Pressable>
        );
      })}
    </Strip>
  );
}

const TAB = { minHeight: 56, padding: '6px 14px', flex: 'none' } as const;
const Strip = styled('div')({
  display: 'flex',
  gap: 8,
  flexWrap: 'wrap',
  maxHeight: 122, // two rows: what is next stays in sight however many lines there are
  overflowY: 'auto',
  '@media (max-width: 620px)': { flexWrap: 'nowrap', overflowX: 'auto', paddingBottom: 4 },
});
