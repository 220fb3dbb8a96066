import type { FloorWeighing } from '@saltflat/contract';
import { formatQuantity } from '@saltflat/core/units';
import { useUnits, useDates } from '../../../units/writingSlice.ts';
import { AMOUNT_MARKS, amountQuestion } from '../../../weighed/index.ts';
import { Button, Chart, Empty, Note, Panel, SimpleTable, Split, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { floorChart, weighedPlot } from './weighedPlot.ts';
import type { Charted } from './weighedPlot.ts';

interface Props {
  name: string;
  /** What is set on it, as its maker calls it; `null` where nothing is. */
  setting: string | null;
  /** Newest first. */
  weighings: readonly FloorWeighing[];
  onTake: (weighing: FloorWeighing) => void;
  takingStep: string | null;
}

const SHOWN = 12;
const CHARTED = 120;

/** Garments weighed in on the floor over all runs: the sprayer drifts before shirts fail. */
export function WeighedView({ name, setting, weighings, onTake, takingStep }: Props) {
  const dates = useDates();
  const system = useUnits();
  const chart = floorChart(weighings.slice(0, CHARTED));
  const last = chart.garments.at(-1);
  if (last === undefined)
    return (
      <Empty
        title={t('No garment was weighed in on {name} yet', { name })}
        action={<Button to="/floor">{t('To the floor')}</Button>}
      >
        {t(
          'Weigh each on the floor before and after it is sprayed: from the twelfth on the chart knows how the sprayer usually lies.',
        )}
      </Empty>
    );
  const question = amountQuestion(last.point);
  const grams = (g: number): string => formatQuantity(g, 'mass', system);
  return (
    <Split columns="minmax(420px, 1fr) minmax(360px, 480px)" below={1000}>
      <Panel label={t('Over all runs')} pad="12px 16px">
        <Stack gap={8}>
          <Chart
            title={t('{name}: weighed in', { name })}
            heightPx={280}
            data={weighedPlot(chart, (at) => dates(at, 'day'))}
          />
          {question !== '' && (
            <Note tone="caution" role="status">
              ◆ {question}
            </Note>
          )}
          <p className="muted small">
            {chart.limits === null
              ? t('{count} garments; from the twelfth on it is known how the sprayer usually lies.', {
                  count: chart.garments.length,
                })
              : t(
                  'It usually gives {centre} % of what is wanted, one garment {sigma} % off another. Hollow ones break a rule of the run.',
                  {
                    centre: Math.round(chart.limits.centrePct),
                    sigma: chart.limits.sigmaPct.toFixed(1),
                  },
                )}
          </p>
        </Stack>
      </Panel>
      <Panel title={t('Garments')} says={t('newest first')}>
        <SimpleTable
          label={t('Garments weighed in')}
          rows={[...chart.garments].reverse().slice(0, SHOWN)}
          keyOf={({ runId, step }) => `${runId} ${step}`}
          columns={[
            {
              key: 'when',
              title: t('When'),
              isNoWrap: true,
              cell: ({ at, code }: Charted) => (
                <>
                  {code} <span className="muted small">{dates(at, 'day-time')}</span>
                </>
              ),
            },
            ...(setting === null
              ? []
              : [
                  {
                    key: 'set',
                    title: setting,
                    isNumber: true,
                    cell: (own: Charted) => own.setting ?? '–',
                  },
                ]),
            {
              key: 'on',
              title: t('On it'),
              isNumber: true,
              cell: ({ beforeG, afterG, point }: Charted) => (
                <>
                  {grams(afterG - beforeG)}{' '}
                  <span title={AMOUNT_MARKS[point.verdict].word}>{AMOUNT_MARKS[point.verdict].mark}</span>
                </>
              ),
            },
            {
              key: 'take',
              title: t('In the fit'),
              cell: (own: Charted) =>
                own.isTaken ? (
                  t('● counts')
                ) : own.setting === null ? (
                  <span className="muted">–</span>
                ) : (
                  <Button
                    size="small"
                    label={t('Count {code}, {grams}, in the fit', {
                      code: own.code,
                      grams: grams(own.afterG - own.beforeG),
                    })}
                    isBusy={takingStep === own.step}
                    onClick={() => onTake(own)}
                  >
                    {t('Count it')}
                  </Button>
                ),
            },
          ]}
        />
        <p className="muted small" style={{ padding: '0 12px 8px' }}>
          {t('Count only what was sprayed as its route set it: a dial turned by hand would bend the curve.')}
        </p>
      </Panel>
    </Split>
  );
}
