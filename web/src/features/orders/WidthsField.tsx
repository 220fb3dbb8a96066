import Button from '@mui/material/Button';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';

interface Props {
  /** Sizes that are ordered. */
  sizes: readonly string[];
  /** Printed widths of their own, by size, mm. */
  widths: Record<string, number>;
  /** The width of all the others, mm. */
  widthMm: number | null;
  onChange: (widths: Record<string, number>) => void;
}

/** On demand, a printed width for some sizes. */
export function WidthsField({ sizes, widths, widthMm, onChange }: Props) {
  const system = useUnits();
  if (Object.keys(widths).length > 0)
    return (
      <div className="row" style={{ gap: 8, alignItems: 'flex-start' }}>
        {sizes.map((size) => (
          <div key={size} style={{ width: 130 }}>
            <QuantityField
              label={`Width, ${size}`}
              kind="length"
              system={system}
              value={widths[size] ?? widthMm}
              onChange={(own) => own !== null && onChange({ ...widths, [size]: own })}
            />
          </div>
        ))}
        <Button size="small" variant="text" onClick={() => onChange({})}>
          One width for all
        </Button>
      </div>
    );
  if (sizes.length < 2 || widthMm === null) return null;
  return (
    <div>
      <Button
        size="small"
        variant="text"
        onClick={() => onChange(Object.fromEntries(sizes.map((size) => [size, widthMm])))}
      >
        Another width for some sizes
      </Button>
    </div>
  );
}
