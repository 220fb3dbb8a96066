import type { RowDeposit } from '@saltflat/core/spray';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useKept } from '../../../form/index.ts';
import { useUnits } from '../../../units/writingSlice.ts';
import { sprayTasks } from '../../../worker/sprayClient.ts';
import { useAnswer } from '../../../worker/useAnswer.ts';
import {
  Chart,
  NumberField,
  Panel,
  QuantityField,
  Row,
  Split,
  Stack,
  ToggleField,
} from '../../../ui/index.ts';
import type { PlotData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { rampColour } from '../depositRamp.ts';
import { NOZZLE_FAULTS, USUAL_ROW, runOf } from './nozzleFaults.ts';
import type { FaultName, RowShown } from './nozzleFaults.ts';

/** A machine's nozzle row with one nozzle at fault: what its stripe looks like, so that it is known when it is there. */
export function NozzleView() {
  const system = useUnits();
  const [row, putRow] = useKept('nozzle-row', () => USUAL_ROW);
  const deposit = useAnswer(() => sprayTasks.ask('row', runOf(row)).answer, [row]);
  return (
    <Split columns="minmax(420px, 1fr) minmax(320px, 420px)" below={1000}>
      <Panel label={t('What the stripe looks like')} pad="12px 16px">
        {deposit && (
          <Stack gap={12}>
            <Stripe deposit={deposit} row={row} />
            <Chart title={t('Across the garment')} heightPx={260} data={rowPlot(deposit, row, system)} />
          </Stack>
        )}
      </Panel>
      <Stack gap={12}>
        <Panel title={t('The fault')} pad="14px 16px">
          <Stack gap={14}>
            <ToggleField
              label={t('What is wrong')}
              value={row.fault}
              options={(Object.keys(NOZZLE_FAULTS) as FaultName[]).map((value) => ({
                value,
                label: NOZZLE_FAULTS[value].name,
              }))}
              onChange={(fault) => putRow({ fault })}
            />
            <Row gap={10} align="start">
              <NumberField
                label={t('Nozzle, from the left')}
                width={150}
                value={row.nozzle}
                span={[1, row.count]}
                isWhole
                onChange={(nozzle) => nozzle !== null && putRow({ nozzle })}
              />
              <NumberField
                label={t('of')}
                width={90}
                value={row.count}
                span={[2, 40]}
                isWhole
                onChange={(count) => count !== null && putRow({ count, nozzle: Math.min(row.nozzle, count) })}
              />
            </Row>
            <Row gap={10} align="start">
              <QuantityField
                label={t('Nozzles apart')}
                kind="length"
                system={system}
                value={row.pitchMm}
                span={[10, 300]}
                onChange={(pitchMm) => pitchMm !== null && putRow({ pitchMm })}
              />
              <QuantityField
                label={t('Above the garment')}
                kind="length"
                system={system}
                value={row.heightMm}
                span={[40, 600]}
                onChange={(heightMm) => heightMm !== null && putRow({ heightMm })}
              />
            </Row>
          </Stack>
        </Panel>
        {deposit && (
          <Panel title={t('How it is known')} pad="10px 16px">
            <Stack gap={6}>
              <p>{NOZZLE_FAULTS[row.fault].look}</p>
              <p className="small">{stripeWords(deposit, system)}</p>
              <p className="muted small">
                {t(
                  'Out and back goes along the same line: a double pass does not blur it. A model of ideal cones; the row here is an assumption, with the same flow from each nozzle.',
                )}
              </p>
            </Stack>
          </Panel>
        )}
      </Stack>
    </Split>
  );
}

/** The garment as the eye sees it: the profile drawn out along the travel. */
function Stripe({ deposit, row }: { deposit: RowDeposit; row: RowShown }) {
  const { gm2, healthy } = deposit;
  const stops = Array.from({ length: 60 }, (_, i) => {
    const value = gm2[Math.round((i / 59) * (gm2.length - 1))] ?? 0;
    return `rgb(${rampColour(value / healthy.meanGm2).join(', ')})`;
  });
  return (
    <div
      role="img"
      aria-label={t('A garment sprayed with nozzle {nozzle} of {count} at fault', {
        nozzle: row.nozzle,
        count: row.count,
      })}
      style={{
        height: 170,
        // as wide as the chart's own axis below it
        margin: '0 45px 0 67px',
        border: '1px solid',
        background: `linear-gradient(to right, ${stops.join(', ')})`,
      }}
    />
  );
}

function rowPlot(
  { acrossMm, gm2, healthyGm2 }: RowDeposit,
  { nozzle, count, pitchMm }: RowShown,
  system: UnitSystem,
): PlotData {
  const at = (values: Float64Array) => [...acrossMm].map((x, i) => [x, values[i] ?? 0] as const);
  const x = (nozzle - 1 - (count - 1) / 2) * pitchMm;
  const nearest = acrossMm.reduce(
    (best, own, i) => (Math.abs(own - x) < Math.abs((acrossMm[best] ?? 0) - x) ? i : best),
    0,
  );
  return {
    along: {
      title: t('from the middle'),
      write: (value) => formatQuantity(Math.round(value), 'length', system),
      min: Math.floor(acrossMm[0] ?? 0),
      max: Math.ceil(acrossMm.at(-1) ?? 0),
    },
    up: {
      title: t('on the garment'),
      write: (value) => formatQuantity(Math.round(value), 'arealMass'),
      min: 0,
    },
    curves: [
      { name: t('with the fault'), points: at(gm2) },
      { name: t('as it should be'), points: at(healthyGm2), isDashed: true },
    ],
    band: null,
    dotsName: t('the nozzle'),
    dots: [{ x, y: gm2[nearest] ?? 0, words: t('nozzle {nozzle}', { nozzle }) }],
  };
}

function stripeWords({ stripe, excess, cvPct, healthy }: RowDeposit, system: UnitSystem): string {
  const mm = (value: number): string => formatQuantity(Math.round(value), 'length', system);
  const spread = t('Uneven by {now} % instead of {before} %.', {
    now: cvPct.toFixed(0),
    before: healthy.cvPct.toFixed(0),
  });
  if (stripe === null) return spread;
  const pale = t('{share} % less in a stripe {wide} wide.', {
    share: Math.round(100 * stripe.depthShare),
    wide: mm(stripe.widthMm),
  });
  const dark =
    excess === null
      ? ''
      : ` ${t('{share} % more {beside} beside it.', { share: Math.round(100 * excess.share), beside: mm(Math.abs(excess.atMm - stripe.atMm)) })}`;
  return `${pale}${dark} ${spread}`;
}
