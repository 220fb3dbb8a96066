import type { ArtStep } from '@saltflat/core/artwork';
import type { UnitSystem } from '@saltflat/core/units';
import { useState } from 'react';
import { StepFields } from './StepFields.tsx';
import { stepWords } from './stepWords.ts';

interface Props {
  steps: readonly ArtStep[];
  system: UnitSystem;
  /** `kind` names the move, so that a slider drawn along is one step back. */
  onChange: (steps: ArtStep[], kind?: string) => void;
  /** Looks for the least tolerance that leaves nothing of the colour. */
  onClean: (index: number) => void;
  isCleaning: boolean;
  /** Has the next click on the picture give the colour of a knock-out. */
  onPick: (index: number) => void;
}

/** What is done to the file before it is printed, in order; the original is never touched. */
export function StepList({ steps, system, onChange, onClean, isCleaning, onPick }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  if (steps.length === 0) {
    return (
      <p className="muted" style={{ padding: '10px 16px' }}>
        Nothing yet: a finding’s button adds a step here. The file itself is never changed.
      </p>
    );
  }
  const move = (from: number, by: number): void => {
    const to = from + by;
    const moved = [...steps];
    const [step] = moved.splice(from, 1);
    if (step) moved.splice(to, 0, step);
    onChange(moved);
    setOpen(open === from ? to : open);
  };
  const replace = (index: number, step: ArtStep, kind?: string): void =>
    onChange(
      steps.map((own, i) => (i === index ? step : own)),
      kind,
    );
  return (
    <ol className="steps" aria-label="Steps">
      {steps.map((step, i) => {
        const { title, detail } = stepWords(step, system);
        const isOpen = open === i;
        return (
          <li key={`${i} ${step.kind}`} data-off={step.isOff === true}>
            <div className="step-head">
              <input
                type="checkbox"
                checked={step.isOff !== true}
                aria-label={`${title}, done`}
                onChange={({ target }) => {
                  const { isOff: _was, ...on } = step;
                  replace(i, target.checked ? on : { ...on, isOff: true });
                }}
              />
              <button
                type="button"
                className="step-title"
                aria-expanded={isOpen}
                onClick={() => setOpen(isOpen ? null : i)}
              >
                {step.kind === 'knock-out' && <span className="swatch" style={{ background: step.hex }} />}
                <strong>{title}</strong>
                <span className="muted small">{detail}</span>
              </button>
              <button
                type="button"
                aria-label={`${title}: earlier`}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                ↑
              </button>
              <button
                type="button"
                aria-label={`${title}: later`}
                disabled={i === steps.length - 1}
                onClick={() => move(i, 1)}
              >
                ↓
              </button>
              <button
                type="button"
                aria-label={`${title}: remove`}
                onClick={() => onChange(steps.filter((_, k) => k !== i))}
              >
                ×
              </button>
            </div>
            {isOpen && (
              <StepFields
                step={step}
                system={system}
                isCleaning={isCleaning}
                onChange={(next) => replace(i, next, `step ${i}`)}
                onClean={() => onClean(i)}
                onPick={() => onPick(i)}
              />
            )}
          </li>
        );
      })}
    </ol>
  );
}
