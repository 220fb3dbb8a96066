import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';

interface Props {
  sizes: readonly { size: string }[];
  quantities: Record<string, string>;
  /** Printed widths of their own, by size, mm. */
  widths: Record<string, number>;
  /** The width of all the others, mm. */
  widthMm: number | null;
  problem: string | undefined;
  onQuantities: (quantities: Record<string, string>) => void;
  onWidths: (widths: Record<string, number>) => void;
}

/** One number per size, side by side as on a paper ticket; and, on demand, a printed width for some of them. */
export function SizesField({ sizes, quantities, widths, widthMm, problem, onQuantities, onWidths }: Props) {
  const system = useUnits();
  const ordered = sizes.filter(({ size }) => (quantities[size] ?? '').trim() !== '');
  const isGraded = Object.keys(widths).length > 0;
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="muted small" style={{ padding: 0, marginBottom: 6 }}>
        Quantity by size
      </legend>
      <div className="row" style={{ gap: 8 }}>
        {sizes.map(({ size }) => (
          <TextField
            key={size}
            label={size}
            size="small"
            sx={{ width: size.length > 4 ? 110 : 76 }}
            value={quantities[size] ?? ''}
            error={problem !== undefined}
            slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `Quantity, size ${size}` } }}
            onChange={(event) => onQuantities({ ...quantities, [size]: event.target.value })}
          />
        ))}
        {ordered.length > 1 && !isGraded && widthMm !== null && (
          <Button
            size="small"
            variant="text"
            onClick={() => onWidths(Object.fromEntries(ordered.map(({ size }) => [size, widthMm])))}
          >
            Another width for some sizes
          </Button>
        )}
      </div>
      {isGraded && (
        <div className="row" style={{ gap: 8, marginTop: 12, alignItems: 'flex-start' }}>
          {ordered.map(({ size }) => (
            <div key={size} style={{ width: 130 }}>
              <QuantityField
                label={`Width, ${size}`}
                kind="length"
                system={system}
                value={widths[size] ?? widthMm}
                onChange={(own) => own !== null && onWidths({ ...widths, [size]: own })}
              />
            </div>
          ))}
          <Button size="small" variant="text" onClick={() => onWidths({})}>
            One width for all
          </Button>
        </div>
      )}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
