import type { StepState } from '@saltflat/core/run';
import { USUAL_DRYING } from '@saltflat/core/spray';
import { formatQuantity, scaleDigits } from '@saltflat/core/units';
import { useDevice } from '../../api/liveSlice.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { Panel } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** Less water than so much of what was sprayed is what the room gives the cloth anyway. */
const DRY_SHARE = 0.15;

/** The honest check while a garment dries: back on the scale, how much of the sprayed water is still in it. */
export function WeighBack({
  sprayed: { beforeG, afterG },
}: {
  sprayed: Pick<StepState, 'beforeG' | 'afterG'>;
}) {
  const system = useUnits();
  const scale = useDevice('scale');
  if (beforeG === null || afterG === null) return null;
  const addedG = afterG - beforeG;
  const waterG = USUAL_DRYING.waterShare * addedG;
  // what the fluid leaves behind stays on it
  const leftG = scale?.value == null ? null : scale.value - beforeG - (addedG - waterG);
  const mass = (g: number): string => formatQuantity(g, 'mass', system, scaleDigits(system));
  return (
    <Panel label={t('Weigh back')} pad="8px 14px" style={{ margin: '0 20px 14px' }}>
      <p role="note" style={{ margin: 0 }}>
        {leftG === null
          ? t('Weigh back: the scale says nothing.')
          : leftG > 1.2 * waterG || leftG < -0.3 * waterG
            ? t('Weigh back: put this garment on the scale, it was {after} wet.', { after: mass(afterG) })
            : leftG <= DRY_SHARE * waterG
              ? t('Weigh back: ● dry, {left} of {water} of water left.', {
                  left: mass(Math.max(0, leftG)),
                  water: mass(waterG),
                })
              : t('Weigh back: ◆ {left} of {water} of water still in it.', {
                  left: mass(leftG),
                  water: mass(waterG),
                })}
      </p>
    </Panel>
  );
}
