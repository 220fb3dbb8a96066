import { useMemo } from 'react';
import { useUnits } from '../../../units/writingSlice.ts';
import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { Chart } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { depositChart } from './depositChart.ts';
import { garmentOf } from './handJob.ts';
import type { HandJob } from './handJob.ts';

const HIGH_PX = 440;
const FRAME_PX = 48; // of the chart about its cells

/** What a hand leaves on a garment, to scale. */
export function DepositMap({ deposit, job }: { deposit: ShownDeposit; job: HandJob }) {
  const system = useUnits();
  const data = useMemo(() => depositChart(deposit, job, system), [deposit, job, system]);
  const garment = garmentOf(job);
  const wide = ((HIGH_PX - FRAME_PX) * garment.widthMm) / garment.heightMm;
  return (
    <div style={{ width: wide, maxWidth: '100%', margin: '0 auto' }}>
      <Chart title={t('On the garment')} heightPx={HIGH_PX} data={data} />
    </div>
  );
}
