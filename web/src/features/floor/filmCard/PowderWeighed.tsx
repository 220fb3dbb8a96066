import { judgePowder } from '@saltflat/core/route';
import type { PowderUse } from '@saltflat/core/route';
import type { StepState } from '@saltflat/core/run';
import { formatQuantity, scaleDigits } from '@saltflat/core/units';
import { useState } from 'react';
import { useDevice } from '../../../api/liveSlice.ts';
import { useLotsQuery } from '../../../api/lotsApi.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { Button, Note, QuantityField, Row, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';

interface Props {
  step: StepState;
  /** That should stay by the art, g. */
  expectedG: number;
  powderId: string | null;
  nowMs: number;
  onWeigh: (what: 'before' | 'after', massG: number) => void;
}

const VERDICTS: Record<PowderUse['verdict'], string> = {
  'as-expected': t('● as the art takes'),
  'too-little': t('◆ too little: look for bare ink, tilt it over once more'),
  'too-much': t('◆ too much: flick harder, and put back what was caught'),
};
const DAY_MS = 86_400_000;
/** An open container has taken up moisture by then (assumption; sooner in a damp room). */
const MOIST_DAYS = 30;

/** The powder’s container weighed before it is poured and after what was caught is back in it: who wants to may. */
export function PowderWeighed({ step, expectedG, powderId, nowMs, onWeigh }: Props) {
  const units = useUnits();
  const scale = useDevice('scale');
  const [typedG, setTypedG] = useState<number | null>(null);
  const mass = (massG: number): string => formatQuantity(massG, 'mass', units, scaleDigits(units));
  const { beforeG, afterG } = step;
  const what = beforeG === null ? 'before' : 'after';
  const used = judgePowder(beforeG, afterG, expectedG);
  const scaleG = scale?.isStable === true && scale.value !== null && scale.value > 0 ? scale.value : null;
  const take = (massG: number): void => {
    setTypedG(null);
    onWeigh(what, massG);
  };
  return (
    <Stack gap={6} as="section" aria-label={t('Powder weighed')}>
      {powderId !== null && <Container powderId={powderId} nowMs={nowMs} />}
      {used ? (
        <span>
          {t('{used} went on it, {expected} by the art', {
            used: mass(used.usedG),
            expected: mass(expectedG),
          })}{' '}
          <strong>{VERDICTS[used.verdict]}</strong>
        </span>
      ) : (
        <Row gap={8} align="start">
          <QuantityField
            key={what}
            label={
              what === 'before' ? t('Container before pouring') : t('Container, the caught powder back in')
            }
            kind="mass"
            system={units}
            value={typedG}
            mayBeEmpty
            onChange={setTypedG}
          />
          <Button size="small" disabled={typedG === null} onClick={() => typedG !== null && take(typedG)}>
            {t('Note it')}
          </Button>
          {scaleG !== null && (
            <Button size="small" onClick={() => take(scaleG)}>
              {t('Scale: {mass}', { mass: mass(scaleG) })}
            </Button>
          )}
        </Row>
      )}
      {beforeG !== null && !used && (
        <span className="muted small">{t('before: {mass}', { mass: mass(beforeG) })}</span>
      )}
    </Stack>
  );
}

/** The lot that is open, and for how long. */
function Container({ powderId, nowMs }: { powderId: string; nowMs: number }) {
  const { data: lots } = useLotsQuery();
  const lot = lots?.find(({ materialId }) => materialId === powderId);
  if (!lot) return null;
  const days = Math.floor((nowMs - Date.parse(lot.openedAt)) / DAY_MS);
  return (
    <>
      <span className="muted small">
        {t('Lot {lot}, open for {days} days. Close the container as soon as the caught powder is back.', {
          lot: lot.lot,
          days,
        })}
      </span>
      {days > MOIST_DAYS && (
        <Note tone="caution" isSmall>
          {t(
            'Open that long it may have drawn moisture: rub some between two fingers. What clumps is dried, or another is begun under Shop, Lots in use.',
          )}
        </Note>
      )}
    </>
  );
}
