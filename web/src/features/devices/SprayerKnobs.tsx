import type { SprayerDevice } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useDriveSprayerMutation, useRefillSprayerMutation, useSprayer } from '../../api/sprayersApi.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { Button, Mark, Panel, Refusal, Row, SelectField, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

const OPEN_PCT = [100, 85, 70, 50];

/** A simulated sprayer: what is in its bottle, and knobs for a nozzle that closes. */
export function SprayerKnobs({ asked }: { asked: SprayerDevice }) {
  const system = useUnits();
  const { machineId, name, isSimulated, bottleMl, bottleSizeMl, last, drive: knobs } = useSprayer(asked.machineId) ?? asked; // prettier-ignore
  const [drive] = useDriveSprayerMutation();
  const [refill] = useRefillSprayerMutation();
  const attempt = useAttempt();
  const openPct = Math.round(100 * knobs.openShare);
  const turn = (own: Omit<Parameters<typeof drive>[0], 'machineId'>): void =>
    void attempt.make('drive', () => drive({ machineId, ...own }));
  return (
    <Panel title={name} says={isSimulated ? t('simulated stand-in') : t('connected')} pad={16}>
      <Stack gap={12}>
        <p style={{ margin: 0, fontSize: 18, fontWeight: 640 }}>
          {t('{left} of {full} in the bottle', {
            left: formatQuantity(bottleMl, 'volume', system, 0),
            full: formatQuantity(bottleSizeMl, 'volume', system, 0),
          })}
        </p>
        <Mark mark={last?.ranDry ? '■' : '●'} tone={last?.ranDry ? 'hands' : 'calm'}>
          {last === null
            ? t('nothing sprayed yet')
            : last.ranDry
              ? t('ran dry at the last garment')
              : t('sprayed {ml} last', { ml: formatQuantity(last.ml, 'volume', system, 1) })}
        </Mark>
        <SelectField
          label={t('Nozzle open')}
          width={140}
          value={String(openPct)}
          options={[...new Set([...OPEN_PCT, openPct])].map((pct) => ({
            value: String(pct),
            label: `${pct} %`,
          }))}
          onChange={(pct) => turn({ openShare: Number(pct) / 100 })}
        />
        <Row gap={8}>
          <Button size="small" onClick={() => void attempt.make('drive', () => refill(machineId))}>
            {t('Put on a full bottle')}
          </Button>
          <Button size="small" onClick={() => turn({ bottleMl: 10 })}>
            {t('Nearly empty the bottle')}
          </Button>
        </Row>
        <Refusal {...attempt.refusal('drive')} />
      </Stack>
    </Panel>
  );
}
