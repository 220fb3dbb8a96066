import { t } from '../../words/index.ts';
import type { ArtFigures, InkChannel } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { SimpleTable } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

/** What the shop pays, cents; for the cost of one print. */
export interface PrintPrices {
  colourCentsPerMl: number;
  whiteCentsPerMl: number;
  filmCentsPerM2: number;
  powderCentsPerKg: number;
  pretreatmentCentsPerKg: number;
  /** Whether the ink's laydown was weighed in this shop. */
  isLaydownWeighed: boolean;
  isPowderWeighed: boolean;
}

const CHANNELS: [InkChannel, string][] = [
  ['c', 'Cyan'],
  ['m', 'Magenta'],
  ['y', 'Yellow'],
  ['k', 'Black'],
  ['w', 'White'],
  ['h', 'Second white'],
];

interface Row {
  name: string;
  value: string;
  cents: number | null;
  /** How it is worked out. */
  basis: string;
}

/** What one print uses and costs, each figure with the formula and the constant it rests on. */
export function FigureTable({
  figures,
  prices,
  system,
}: {
  figures: ArtFigures;
  prices: PrintPrices;
  system: UnitSystem;
}) {
  const rows = [
    ...sizeRows(figures, system),
    ...inkRows(figures, prices, system),
    ...takenAlong(figures, prices, system),
  ];
  const total = rows.reduce((sum, { cents }) => sum + (cents ?? 0), 0);
  return (
    <SimpleTable
      label={t('What one print uses')}
      columns={COLUMNS}
      rows={rows}
      keyOf={({ name }) => name}
      isTopAligned
      foot={['Ink, film, powder and pretreatment', '', total.toFixed(1)]}
    />
  );
}

const COLUMNS: TableColumn<Row>[] = [
  {
    key: 'name',
    title: t('One print'),
    cell: ({ name, basis }) => (
      <>
        {name}
        <div className="muted small">{basis}</div>
      </>
    ),
  },
  { key: 'amount', title: t('Amount'), isNumber: true, cell: ({ value }) => value },
  {
    key: 'cents',
    title: t('Cents'),
    isNumber: true,
    cell: ({ cents }) => (cents === null ? '' : cents.toFixed(1)),
  },
];

function sizeRows(
  { bboxMm, dpi, px, inkMm2, coverage, solid, parts }: ArtFigures,
  system: UnitSystem,
): Row[] {
  const length = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 1 : 2);
  const row = (name: string, value: string, basis: string): Row => ({ name, value, cents: null, basis });
  return [
    row(
      'Art on the piece',
      bboxMm ? `${length(bboxMm.w)} × ${length(bboxMm.h)}` : 'nothing',
      'rectangle round all ink',
    ),
    row('Resolution', `${Math.round(dpi)} per inch`, `${px[0]} × ${px[1]} px over the printed width`),
    row('Inked area', `${(inkMm2 / 100).toFixed(1)} cm²`, 'alpha summed × area of a pixel'),
    row('White share', formatQuantity(coverage.w, 'share'), 'white after the choke ÷ inked area'),
    row(
      'Largest circle inside',
      length(solid.circleMm),
      parts.components === 1
        ? 'the art is one part'
        : `the art is ${formatQuantity(parts.components, 'count')} separate parts`,
    ),
  ];
}

function inkRows({ ml, laydown }: ArtFigures, prices: PrintPrices, system: UnitSystem): Row[] {
  const status = prices.isLaydownWeighed ? 'weighed here' : 'assumed';
  return CHANNELS.filter(([channel]) => channel !== 'h' || ml.h > 0).map(([channel, name]) => {
    const perM2 =
      channel === 'w' ? laydown.whiteMlM2 : channel === 'h' ? laydown.highlightMlM2 : laydown.colourMlM2;
    const isWhite = channel === 'w' || channel === 'h';
    return {
      name,
      value: formatQuantity(ml[channel], 'volume', system, 3),
      cents: ml[channel] * (isWhite ? prices.whiteCentsPerMl : prices.colourCentsPerMl),
      basis: `coverage × area × ${perM2} ml/m² (${status})`,
    };
  });
}

function takenAlong(
  { powderG, filmM2, pretreatG, water, laydown }: ArtFigures,
  prices: PrintPrices,
  system: UnitSystem,
): Row[] {
  const rows: Row[] = [];
  if (powderG > 0)
    rows.push({
      name: 'Powder',
      value: formatQuantity(powderG, 'mass', system),
      cents: (powderG * prices.powderCentsPerKg) / 1000,
      basis: `inked area and a rim of ${laydown.powderRimMm} mm × ${laydown.powderGM2} g/m² (${prices.isPowderWeighed ? 'weighed here' : 'assumed'})`,
    });
  if (filmM2 > 0)
    rows.push({
      name: 'Film',
      value: `${(filmM2 * 1e4).toFixed(0)} cm²`,
      cents: filmM2 * prices.filmCentsPerM2,
      basis: 'rectangle round all ink and 5 mm',
    });
  if (pretreatG > 0)
    rows.push({
      name: 'Pretreatment',
      value: formatQuantity(pretreatG, 'mass', system),
      cents: (pretreatG * prices.pretreatmentCentsPerKg) / 1000,
      basis: `rectangle and 15 mm × ${laydown.pretreatmentGM2} g/m² (assumed)`,
    });
  rows.push({
    name: 'Water to dry out',
    value: formatQuantity(water.inkG + water.pretreatG, 'mass', system),
    cents: null,
    basis: `ink on average ${water.meanGm2.toFixed(0)} g/m², ${water.peakGm2.toFixed(0)} g/m² on the wettest 10 mm (assumed shares of water)`,
  });
  return rows;
}
