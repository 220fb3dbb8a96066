import { t } from '../../words/index.ts';
import type { StepState, WeighResult, WeighedPiece } from '@saltflat/core/run';
import { judgeWeighIn } from '@saltflat/core/run';
import { formatQuantity, scaleDigits } from '@saltflat/core/units';
import { useUnits } from '../../units/writingSlice.ts';
import { BigFigure, WeighFrame } from './floorParts.tsx';
import { useDevice } from '../../api/liveSlice.ts';
import { Button, Note } from '../../ui/index.ts';
import { WeighedSoFar } from './WeighedSoFar.tsx';

interface Props {
  weighIn: { targetG: number; toleranceG: number };
  step: StepState;
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
export function WeighIn({ weighIn, step, before, onWeigh }: Props) {
  const system = useUnits();
  // as a scale shows it: a tenth of a gram
  const mass = (massG: number): string => formatQuantity(massG, 'mass', system, scaleDigits(system));
  const scale = useDevice('scale');
  const what = step.beforeG === null ? 'before' : 'after';
  const massG = scale?.value ?? null;
  const soFar = massG !== null && step.beforeG !== null ? judgeWeighIn(weighIn, step.beforeG, massG) : null;
  return (
    <WeighFrame role="group" aria-label={t('Weigh in')}>
      <div>
        <div className="muted">{t('Scale now')}</div>
        <BigFigure>{massG === null ? '–' : mass(massG)}</BigFigure>
        {scale?.fault && <Note tone="alarm">{scale.fault}</Note>}
        {scale && !scale.fault && !scale.isStable && <p className="muted">{t('settling …')}</p>}
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
            </dd>
          </div>
        )}
      </dl>
      <Button
        look="primary"
        disabled={massG === null || !scale?.isStable}
        onClick={() => massG !== null && onWeigh(what, massG)}
        hint="Space"
      >
        {what === 'before' ? t('Take the weight before') : t('Take the weight after')}
      </Button>
      <WeighedSoFar pieces={before} />
    </WeighFrame>
  );
}
