import { t } from '../../words/index.ts';
import type { StepState, WeighResult, WeighedPiece } from '@saltflat/core/run';
import { judgeWeighIn } from '@saltflat/core/run';
import { formatQuantity, scaleDigits } from '@saltflat/core/units';
import { useUnits } from '../../units/writingSlice.ts';
import { BigFigure, WeighFrame } from './floorParts.tsx';
import { useDevice } from '../../api/liveSlice.ts';
import { Button, Note, QuantityField } from '../../ui/index.ts';
import { useState } from 'react';
import { WeighedSoFar } from './WeighedSoFar.tsx';

interface Props {
  weighIn: { targetG: number; toleranceG: number };
  step: StepState;
  /** Dried off by now since it was sprayed, by a model. */
  driedG: number;
  /** Garments of the run that were weighed in before. */
  before: readonly WeighedPiece[];
  onWeigh: (what: 'before' | 'after', massG: number) => void;
}

const VERDICTS: Record<WeighResult['verdict'], string> = {
  within: t('● right amount'),
  'too-little': t('◆ too little: spray once more'),
  'too-much': t('◆ too much: let it dry longer, watch for a stain box'),
};

/** Weighs the garment before and after pretreatment, straight off the scale. */
export function WeighIn({ weighIn, step, driedG, before, onWeigh }: Props) {
  const system = useUnits();
  // as a scale shows it: a tenth of a gram
  const mass = (massG: number): string => formatQuantity(massG, 'mass', system, scaleDigits(system));
  const scale = useDevice('scale');
  const what = step.beforeG === null ? 'before' : 'after';
  const [typedG, setTypedG] = useState<number | null>(null);
  const isDead = scale === undefined || scale.value === null;
  const massG = isDead ? typedG : scale.value;
  const isSteady = isDead || scale.isStable;
  const soFar =
    massG !== null && step.beforeG !== null ? judgeWeighIn(weighIn, step.beforeG, massG + driedG) : null;
  const isLess = what === 'after' && massG !== null && step.beforeG !== null && massG < step.beforeG;
  return (
    <WeighFrame role="group" aria-label={t('Weigh in')}>
      <div>
        <div className="muted">{t('Scale now')}</div>
        <BigFigure>{massG === null ? '–' : mass(massG)}</BigFigure>
        {scale?.fault && <Note tone="alarm">{scale.fault}</Note>}
        {scale && !scale.fault && !scale.isStable && <p className="muted">{t('settling …')}</p>}
        {isDead && (
          <QuantityField
            label={what === 'before' ? t('Before, typed') : t('After, typed')}
            kind="mass"
            system={system}
            value={typedG}
            onChange={setTypedG}
          />
        )}
      </div>
      <dl>
        <div>
          <dt>{t('Wanted on the piece')}</dt>
          <dd>
            {mass(weighIn.targetG)} ± {mass(weighIn.toleranceG)}
          </dd>
        </div>
        <div>
          <dt>{t('Before')}</dt>
          <dd>{step.beforeG === null ? t('not yet') : mass(step.beforeG)}</dd>
        </div>
        {soFar && (
          <div>
            <dt>{t('On it now')}</dt>
            <dd>
              {mass(soFar.addedG)} {VERDICTS[soFar.verdict]}
              {soFar.verdict === 'too-little' &&
                t(': {grams} more', { grams: mass(weighIn.targetG - soFar.addedG) })}
              {driedG >= 0.05 && (
                <div className="muted small">
                  {t('with {grams} that dried off meanwhile, by a model', { grams: mass(driedG) })}
                </div>
              )}
            </dd>
          </div>
        )}
      </dl>
      <Button
        look="primary"
        disabled={massG === null || !isSteady || isLess}
        onClick={() => {
          if (massG === null) return;
          onWeigh(what, massG);
          setTypedG(null);
        }}
        hint="Space"
      >
        {what === 'before' ? t('Take the weight before') : t('Take the weight after')}
      </Button>
      {isLess && (
        <Note tone="alarm" role="alert">
          {t('It weighs less than before, {before}: is it the same garment, lying free on the scale?', {
            before: mass(step.beforeG ?? 0),
          })}
        </Note>
      )}
      <WeighedSoFar pieces={before} />
    </WeighFrame>
  );
}
