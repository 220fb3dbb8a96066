import type { Gun } from '@saltflat/core/spray';
import { formatQuantity } from '@saltflat/core/units';
import type { QuantityKind } from '@saltflat/core/units';
import { useUnits } from '../../../units/writingSlice.ts';
import { Panel, QuantityField, Row, Stack, ToggleField } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { HANDS } from './handJob.ts';
import type { HandJob, HandName } from './handJob.ts';

interface Props {
  job: HandJob;
  gun: Gun;
  onChange: (job: HandJob) => void;
}

const SPANS = {
  gm2: { kind: 'arealMass', label: t('Wanted on the garment'), least: 10, most: 600 },
  widthMm: { kind: 'length', label: t('Area, wide'), least: 40, most: 900 },
  heightMm: { kind: 'length', label: t('Area, high'), least: 40, most: 1200 },
  distanceMm: { kind: 'length', label: t('Gun from the garment'), least: 100, most: 500 },
} as const satisfies Record<string, { kind: QuantityKind; label: string; least: number; most: number }>;
type Figure = keyof typeof SPANS;

/** What is to be covered, and by what hand. */
export function HandJobForm({ job, gun, onChange }: Props) {
  const system = useUnits();
  const field = (name: Figure) => {
    const { kind, label, least, most } = SPANS[name];
    return (
      <QuantityField
        label={label}
        kind={kind}
        system={system}
        value={job[name]}
        usual={job[name]}
        span={[least, most]}
        onChange={(value) => value !== null && onChange({ ...job, [name]: value })}
      />
    );
  };
  const { fan, flowGPerS } = gun;
  const cone = (size: number): string => formatQuantity(Math.round(size * job.distanceMm), 'length', system);
  return (
    <Panel title={t('The job')} pad="14px 16px 12px">
      <Stack gap={12}>
        <Row gap={10} align="start">
          {field('widthMm')}
          {field('heightMm')}
        </Row>
        <Row gap={10} align="start">
          {field('gm2')}
          {field('distanceMm')}
        </Row>
        <ToggleField
          label={t('Hand')}
          value={job.hand}
          options={(Object.keys(HANDS) as HandName[]).map((name) => ({
            value: name,
            label: HANDS[name].name,
          }))}
          onChange={(hand) => onChange({ ...job, hand })}
        />
        <p className="muted small">
          {t('The gun gives {flow} g a second, in a cone {wide} by {narrow} at that distance.', {
            flow: flowGPerS.toFixed(1),
            wide: cone(fan.major),
            narrow: cone(fan.minor),
          })}
        </p>
      </Stack>
    </Panel>
  );
}
