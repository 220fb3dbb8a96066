import type { ArtFigures, InkChannel } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';

const CHANNELS: [InkChannel, string][] = [
  ['c', 'cyan'],
  ['m', 'magenta'],
  ['y', 'yellow'],
  ['k', 'black'],
  ['w', 'white'],
];

/** What one print uses, each figure with the constant it rests on. */
export function FigureTable({ figures, system }: { figures: ArtFigures; system: UnitSystem }) {
  const { ink, laydown, boxMm } = figures;
  const length = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 1 : 2);
  const rows: [string, string, string][] = [
    [
      'Art on the piece',
      boxMm ? `${length(boxMm.width)} × ${length(boxMm.height)}` : 'nothing',
      'rectangle round all ink',
    ],
    ['Resolution', `${Math.round(figures.perInch)} per inch`, `${figures.widthPx} × ${figures.heightPx} px`],
    ['Inked area', `${(ink.inkMm2 / 100).toFixed(1)} cm²`, 'sum of alpha'],
    ['White', formatQuantity(figures.whiteShare, 'share'), 'of the inked area, after the choke'],
    ...CHANNELS.map(([channel, name]): [string, string, string] => [
      `Ink, ${name}`,
      formatQuantity(ink.ml[channel], 'volume', system, 3),
      `${channel === 'w' ? laydown.whiteMlM2 : laydown.colourMlM2} ml/m² at full cover, assumed`,
    ]),
  ];
  if (ink.powderG > 0)
    rows.push(['Powder', formatQuantity(ink.powderG, 'mass'), `${laydown.powderGM2} g/m², assumed`]);
  if (ink.filmM2 > 0) rows.push(['Film', `${(ink.filmM2 * 1e4).toFixed(0)} cm²`, '5 mm round the art']);
  if (ink.pretreatmentG > 0)
    rows.push([
      'Pretreatment',
      formatQuantity(ink.pretreatmentG, 'mass'),
      `${laydown.pretreatmentGM2} g/m², 15 mm round the art, assumed`,
    ]);
  return (
    <table className="dense">
      <tbody>
        {rows.map(([name, value, basis]) => (
          <tr key={name}>
            <td>
              {name}
              <div className="muted small">{basis}</div>
            </td>
            <td className="number nowrap">{value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
