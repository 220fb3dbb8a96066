import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import type { MapData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { DEPOSIT_RAMP, RAMP_MOST } from '../depositRamp.ts';
import { garmentOf } from './handJob.ts';
import type { HandJob } from './handJob.ts';

/** Cells of a chart, mm: finer ones are not told apart. */
export const CHART_STEP_MM = 6;
/** Places of the area whose figures stand on the map, as shares of its sides. */
const READ_AT = [0.12, 0.5, 0.88];

/** A spray as a map on the garment, the collar at the top, with nine figures of the area. */
export function depositChart({ cols, rows, gm2 }: ShownDeposit, job: HandJob, system: UnitSystem): MapData {
  const garment = garmentOf(job);
  const column = (x: number): number =>
    Math.min(cols - 1, Math.max(0, Math.floor((x - garment.x) / CHART_STEP_MM)));
  const row = (y: number): number =>
    Math.min(rows - 1, Math.max(0, Math.floor((y - garment.y) / CHART_STEP_MM)));
  const length = (mm: number): string => formatQuantity(Math.round(mm), 'length', system);
  const placeWords = (x: number, y: number): string =>
    t('{x} from the area’s left, {y} from its top', { x: length(x), y: length(y) });
  const write = (value: number): string => formatQuantity(Math.round(value), 'arealMass');
  return {
    columns: cols,
    rows,
    values: [...gm2],
    cellName: (c, r) =>
      placeWords(garment.x + (c + 0.5) * CHART_STEP_MM, garment.y + (r + 0.5) * CHART_STEP_MM),
    write,
    low: 0,
    high: RAMP_MOST * job.gm2,
    ramp: DEPOSIT_RAMP,
    spots: READ_AT.flatMap((down) =>
      READ_AT.map((across) => {
        const [x, y] = [across * job.widthMm, down * job.heightMm];
        const own = gm2[row(y) * cols + column(x)] ?? 0;
        return { column: column(x), row: row(y), name: placeWords(x, y), text: String(Math.round(own)) };
      }),
    ),
    frame: {
      name: t('the area'),
      fromColumn: column(0),
      toColumn: column(job.widthMm - 1),
      fromRow: row(0),
      toRow: row(job.heightMm - 1),
    },
    sides: { top: t('collar'), bottom: '' },
  };
}
