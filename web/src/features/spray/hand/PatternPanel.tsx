import type { PatternPlan } from '@saltflat/core/spray';
import { formatQuantity } from '@saltflat/core/units';
import { useUnits } from '../../../units/writingSlice.ts';
import { Note, Panel, SimpleTable, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { REASONS } from './handWords.ts';

interface Props {
  plan: PatternPlan | null;
}

/** The bands to spray: how many, how far apart, how long each takes. */
export function PatternPanel({ plan }: Props) {
  const system = useUnits();
  if (plan === null) return null;
  if (plan.pattern === null)
    return (
      <Panel title={t('Bands')} pad="10px 16px">
        <Note tone="alarm">{REASONS[plan.reason]}</Note>
      </Panel>
    );
  const { pattern, predicted } = plan;
  const length = (mm: number | null): string =>
    mm === null ? '–' : formatQuantity(Math.round(mm), 'length', system);
  const seconds = (s: number | null): string => (s === null ? '–' : `${s.toFixed(1)} s`);
  const rows = [
    {
      way: t('Across'),
      count: pattern.horizontal,
      apart: length(pattern.spacingHMm),
      takes: seconds(predicted.secondsPerBandH),
    },
    {
      way: t('Down, gun turned'),
      count: pattern.vertical,
      apart: length(pattern.spacingVMm),
      takes: seconds(predicted.secondsPerBandV),
    },
  ].filter(({ count }) => count > 0);
  return (
    <Panel title={t('Bands')} pad="6px 16px 12px">
      <Stack gap={8}>
        <SimpleTable
          label={t('Bands')}
          keyOf={({ way }) => way}
          rows={rows}
          columns={[
            { key: 'way', title: t('Way'), cell: ({ way }) => way },
            { key: 'count', title: t('Bands'), isNumber: true, cell: ({ count }) => count },
            { key: 'apart', title: t('Apart'), isNumber: true, cell: ({ apart }) => apart },
            { key: 'takes', title: t('Each takes'), isNumber: true, cell: ({ takes }) => takes },
          ]}
        />
        <p className="small">
          {t(
            'Begin and end each {lead} beside the area, trigger held from end to end. {grams} g leave the gun; {waste} % of it misses the area.',
            {
              lead: length(pattern.leadMm),
              grams: predicted.sprayedG.toFixed(0),
              waste: Math.round(100 * predicted.wasteShare),
            },
          )}
        </p>
        <p className="muted small">
          {t(
            'Uneven by {bands} % by the bands alone, by about {hand} % with such a hand: a model of an ideal cone. Crossing bands does nothing for a perfectly steady hand, and pays for a real one.',
            { bands: predicted.cvPct.toFixed(0), hand: predicted.cvHandPct.toFixed(0) },
          )}
        </p>
      </Stack>
    </Panel>
  );
}
