import { PlateMap } from '@saltflat/core/press';
import type { PlateArea, PlateSize, SpotReading } from '@saltflat/core/press';
import type { MapData } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { spotName } from './spotName.ts';

const CELL_MM = 12;
/** The heat ramp, over the few kelvin that a plate differs by: only ever beside its numbers. */
const RAMP = ['#5B7083', '#6E5BA6', '#C2407A', '#E58A1F', '#F6C445'];

/** A plate as a map from above, its back at the top. */
export function plateChart(
  size: PlateSize,
  {
    spots,
    usable,
    write,
  }: { spots: readonly SpotReading[]; usable: PlateArea | null; write: (tempC: number) => string },
): MapData {
  const columns = Math.max(6, Math.round(size.widthMm / CELL_MM));
  const rows = Math.max(4, Math.round(size.heightMm / CELL_MM));
  const column = (xMm: number): number => Math.min(columns - 1, Math.floor((xMm / size.widthMm) * columns));
  const row = (yMm: number): number => Math.min(rows - 1, Math.floor((yMm / size.heightMm) * rows));
  const temps = spots.map(({ plateC }) => plateC);
  return {
    columns,
    rows,
    values: new PlateMap(size, spots).grid(columns, rows),
    cellName: (x, y) =>
      spotName({ xMm: ((x + 0.5) / columns) * size.widthMm, yMm: ((y + 0.5) / rows) * size.heightMm }, size),
    write,
    low: Math.min(...temps) - 0.5,
    high: Math.max(...temps) + 0.5,
    ramp: RAMP,
    spots: spots.map((spot) => ({
      column: column(spot.xMm),
      row: row(spot.yMm),
      name: spotName(spot, size),
      text: write(spot.plateC),
    })),
    frame: usable && {
      name: t('usable'),
      fromColumn: column(usable.leftMm),
      toColumn: column(usable.leftMm + usable.widthMm - 1),
      fromRow: row(usable.backMm),
      toRow: row(usable.backMm + usable.heightMm - 1),
    },
    sides: { top: t('back'), bottom: t('front, where one stands') },
  };
}
