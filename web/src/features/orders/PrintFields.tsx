import type { GarmentStyle } from '@saltflat/contract';
import { PLACEMENTS, placementsOn } from '@saltflat/core/placement';
import type { PlacementKey } from '@saltflat/core/placement';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import { ArtDrop } from './ArtDrop.tsx';
import { LineProcess } from './LineProcess.tsx';
import { orderedSizes, usualPlace } from './orderFormValues.ts';
import type { LineValues, PrintValues } from './orderFormValues.ts';
import { WidthsField } from './WidthsField.tsx';

interface Props {
  /** Of the line on the order and of the print on the line, from 0. */
  place: { line: number; print: number };
  line: LineValues;
  print: PrintValues;
  style: GarmentStyle | undefined;
  /** When the order is due, ms since 1970; `null` while none is written. */
  dueMs: number | null;
  problem: (field: string) => string | undefined;
  onChange: (part: Partial<PrintValues>) => void;
  onRemove: (() => void) | null;
  /** What belongs to the garment, written beside its first print. */
  children?: ReactNode;
}

/** One print: its art on the left, where it goes and how large on the right, how it is made below. */
export function PrintFields({
  place,
  line,
  print,
  style,
  dueMs,
  problem,
  onChange,
  onRemove,
  children,
}: Props) {
  const system = useUnits();
  const isAlone = line.prints.length === 1;
  const elsewhere = line.prints.filter((own) => own !== print).map(({ placement }) => placement);
  const which = place.print === 0 ? '' : `, print ${place.print + 1}`;
  const { from, label } = PLACEMENTS[print.placement];
  return (
    <section aria-label={`Print ${place.print + 1} of line ${place.line + 1}`} className="print-fields">
      {!isAlone && (
        <header className="row">
          <h3>
            Print {place.print + 1}: {label.toLowerCase()}
          </h3>
          <span style={{ flex: 1 }} />
          {onRemove && (
            <Button size="small" variant="text" onClick={onRemove}>
              Remove the print
            </Button>
          )}
        </header>
      )}
      <div className="line-fields">
        <ArtDrop
          artwork={print.artwork}
          colourHex={style?.colours.find(({ id }) => id === line.colourId)?.hex ?? '#ffffff'}
          label={`Artwork of line ${place.line + 1}${which}`}
          onChange={(artwork) => onChange({ artwork })}
        />
        <div className="stack">
          {children}
          <div className="line-row three">
            <TextField
              select
              label="Placement"
              size="small"
              value={print.placement}
              error={problem('placement') !== undefined}
              helperText={problem('placement') ?? ' '}
              onChange={(event) => onChange(usualPlace(style, event.target.value as PlacementKey))}
              slotProps={{ select: { native: true } }}
            >
              {placementsOn(style?.kind ?? 'tee').map((key) => (
                <option key={key} value={key} disabled={elsewhere.includes(key)}>
                  {PLACEMENTS[key].label}
                </option>
              ))}
            </TextField>
            <QuantityField
              label={from === 'collar' ? 'Below the collar' : 'Below the upper edge'}
              kind="length"
              system={system}
              value={print.dropMm}
              problem={problem('dropMm')}
              onChange={(dropMm) => onChange({ dropMm })}
            />
            <QuantityField
              label="Printed width"
              kind="length"
              system={system}
              value={print.widthMm}
              problem={problem('widthMm')}
              onChange={(widthMm) => onChange({ widthMm })}
            />
          </div>
          <WidthsField
            sizes={orderedSizes(line)}
            widths={print.widths}
            widthMm={print.widthMm}
            onChange={(widths) => onChange({ widths })}
          />
          {['artworkId', 'id', 'process', 'grades'].map(
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
        <LineProcess
          name={`process-${place.line}-${place.print}`}
          of={`print ${place.print + 1} of line ${place.line + 1}`}
          line={line}
          print={print}
          dueMs={dueMs}
          onChange={onChange}
        />
      </div>
    </section>
  );
}
