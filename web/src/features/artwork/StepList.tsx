import { t } from '../../words/index.ts';
import { sayStep } from '@saltflat/core/artwork';
import type { ArtStep } from '@saltflat/core/artwork';
import type { UnitSystem } from '@saltflat/core/units';
import { useState } from 'react';
import { StepFields } from './StepFields.tsx';
import { useWords } from '../../units/useWords.ts';
import {
  ArrowDown,
  ArrowUp,
  CheckField,
  Close,
  IconButton,
  Pressable,
  Row,
  Rows,
  Swatch,
} from '../../ui/index.ts';

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
  const words = useWords();
  const [open, setOpen] = useState<number | null>(null);
  if (steps.length === 0) {
    return (
      <p className="muted" style={{ padding: '10px 16px' }}>
        {t('Nothing yet: a finding’s button adds a step here. The file itself is never changed.')}
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
    <Rows as="ol" aria-label={t('Steps')}>
      {steps.map((step, i) => {
        const said = sayStep(step);
        const [title, detail] = [words(said.title), words(said.detail)];
        const isOpen = open === i;
        return (
          <li key={`${i} ${step.kind}`}>
            <Row gap={2} isOneLine style={{ padding: '2px 8px' }}>
              <CheckField
                label={t('{title}, done', { title })}
                isNameHidden
                isChecked={step.isOff !== true}
                onChange={(isDone) => {
                  const { isOff: _was, ...on } = step;
                  replace(i, isDone ? on : { ...on, isOff: true });
                }}
              />
              <Pressable
                isExpanded={isOpen}
                onClick={() => setOpen(isOpen ? null : i)}
                sx={{ flex: 1, padding: '0 6px', flexWrap: 'wrap', gap: '2px 8px' }}
              >
                {step.kind === 'knock-out' && <Swatch hex={step.hex} />}
                <strong style={step.isOff === true ? { textDecoration: 'line-through' } : {}}>{title}</strong>
                <span className="muted small">{detail}</span>
              </Pressable>
              <IconButton
                label={t('{title}: earlier', { title })}
                disabled={i === 0}
                onClick={() => move(i, -1)}
              >
                <ArrowUp fontSize="small" />
              </IconButton>
              <IconButton
                label={t('{title}: later', { title })}
                disabled={i === steps.length - 1}
                onClick={() => move(i, 1)}
              >
                <ArrowDown fontSize="small" />
              </IconButton>
              <IconButton
                label={t('{title}: remove', { title })}
                onClick={() => onChange(steps.filter((_, k) => k !== i))}
              >
                <Close fontSize="small" />
              </IconButton>
            </Row>
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
    </Rows>
  );
}
