import { useEffect, useRef } from 'react';
import { codesOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

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
    <div ref={group} role="group" aria-label="Lines on the floor" className="run-tabs">
      {runs.map(({ run, state }) => {
        const left = state.pieces - state.outcomes.length;
        return (
          <button
            key={run.id}
            type="button"
            aria-pressed={run.id === chosenId}
            className="run-tab"
            onClick={() => onChoose(run.id)}
          >
            {run.lines.map(({ key, colourHex }) => (
              <span key={key} className="swatch" style={{ background: colourHex }} />
            ))}
            <span className="code">{codesOf(run)}</span>
            <span>
              {state.outcomes.length} of {state.pieces} judged
            </span>
            <span className="muted small">{left === 0 ? 'finished' : `${left} to go`}</span>
          </button>
        );
      })}
    </div>
  );
}
