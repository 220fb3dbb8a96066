import type { GarmentStyle } from '@saltflat/contract';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import { fibreWords } from '@saltflat/core/route';
import type { HouseMethods } from '@saltflat/core/route';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import { ArtDrop } from './ArtDrop.tsx';
import { LineMethods } from './LineMethods.tsx';
import { LineProcess } from './LineProcess.tsx';
import { piecesOf, usualPlace } from './orderFormValues.ts';
import type { LineValues } from './orderFormValues.ts';
import { SizesField } from './SizesField.tsx';
import './orders.css';

interface Props {
  index: number;
  line: LineValues;
  styles: readonly GarmentStyle[];
  house: HouseMethods;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  problems: Record<string, string>;
  /** What changed of the line; the rest stays as it is by then, whatever was typed meanwhile. */
  onChange: (part: Partial<LineValues>) => void;
  onRemove: (() => void) | null;
}

/** One line of the order being written: art on the left, everything else on the right. */
export function LineFields({ index, line, styles, house, dueMs, problems, onChange, onRemove }: Props) {
  const system = useUnits();
  const style = styles.find(({ id }) => id === line.styleId);
  const colour = style?.colours.find(({ id }) => id === line.colourId);
  const problem = (field: string): string | undefined =>
    problems[`/lines/${index}/${field}`] ?? firstBelow(problems, `/lines/${index}/${field}/`);

  const changeStyle = (styleId: string): void => {
    const next = styles.find(({ id }) => id === styleId);
    const isThere = ([size]: [string, unknown]): boolean =>
      next?.sizes.some((own) => own.size === size) ?? false;
    const fits = placementsOn(next?.kind ?? 'tee').includes(line.placement);
    onChange({
      styleId,
      colourId: next?.colours[0]?.id ?? '',
      quantities: Object.fromEntries(Object.entries(line.quantities).filter(isThere)),
      widths: Object.fromEntries(Object.entries(line.widths).filter(isThere)),
      ...(fits ? {} : usualPlace(next)),
    });
  };
  const changePlacement = (placement: PlacementKey): void => onChange(usualPlace(style, placement));

  return (
    <section className="panel" aria-label={`Line ${index + 1}`}>
      <header>
        <h2>Line {index + 1}</h2>
        <span className="muted">{piecesOf(line)} pieces</span>
        <span style={{ flex: 1 }} />
        {onRemove && (
          <Button size="small" variant="text" onClick={onRemove}>
            Remove the line
          </Button>
        )}
      </header>
      <div className="line-fields">
        <ArtDrop
          artwork={line.artwork}
          colourHex={colour?.hex ?? '#ffffff'}
          label={`Artwork of line ${index + 1}`}
          onChange={(artwork) => onChange({ artwork })}
        />
        <div className="stack">
          <div className="line-row">
            <TextField
              select
              label="Garment"
              size="small"
              value={line.styleId}
              helperText={style ? `${fibreWords(style)}, ${style.massGM2} g/m²` : ' '}
              onChange={(event) => changeStyle(event.target.value)}
              slotProps={{ select: { native: true } }}
            >
              {styles.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </TextField>
            <TextField
              select
              label="Colour"
              size="small"
              value={line.colourId}
              onChange={(event) => onChange({ colourId: event.target.value })}
              slotProps={{
                select: { native: true },
                input: {
                  startAdornment: (
                    <span
                      className="swatch"
                      style={{ background: colour?.hex, marginRight: 8, flex: 'none' }}
                    />
                  ),
                },
              }}
            >
              {style?.colours.map(({ id, name, tone }) => (
                <option key={id} value={id}>
                  {name} ({tone})
                </option>
              ))}
            </TextField>
          </div>
          <SizesField
            sizes={style?.sizes ?? []}
            quantities={line.quantities}
            widths={line.widths}
            widthMm={line.widthMm}
            problem={problem('sizes') ?? problem('grades')}
            onQuantities={(quantities) => onChange({ quantities })}
            onWidths={(widths) => onChange({ widths })}
          />
          <div className="line-row three">
            <TextField
              select
              label="Placement"
              size="small"
              value={line.placement}
              helperText=" "
              onChange={(event) => changePlacement(event.target.value as PlacementKey)}
              slotProps={{ select: { native: true } }}
            >
              {placementsOn(style?.kind ?? 'tee').map((key) => (
                <option key={key} value={key}>
                  {PLACEMENTS[key].label}
                </option>
              ))}
            </TextField>
            <QuantityField
              label={
                PLACEMENTS[line.placement].from === 'collar' ? 'Below the collar' : 'Below the upper edge'
              }
              kind="length"
              system={system}
              value={line.dropMm}
              problem={problem('dropMm')}
              onChange={(dropMm) => onChange({ dropMm })}
            />
            <QuantityField
              label="Printed width"
              kind="length"
              system={system}
              value={line.widthMm}
              problem={problem('widthMm')}
              onChange={(widthMm) => onChange({ widthMm })}
            />
          </div>
          {['styleId', 'colourId', 'artworkId', 'id', 'process'].map(
            (field) =>
              problem(field) && (
                <p key={field} className="field-problem" role="alert">
                  {problem(field)}
                </p>
              ),
          )}
        </div>
      </div>
      <div className="line-below">
        <LineProcess name={`process-${index}`} line={line} dueMs={dueMs} onChange={onChange} />
        <LineMethods shop={house} own={line.house} onChange={(own) => onChange({ house: own })} />
      </div>
    </section>
  );
}

const firstBelow = (problems: Record<string, string>, prefix: string): string | undefined =>
  Object.entries(problems).find(([path]) => path.startsWith(prefix))?.[1];
