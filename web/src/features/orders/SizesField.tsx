import TextField from '@mui/material/TextField';

interface Props {
  sizes: readonly { size: string }[];
  quantities: Record<string, string>;
  problem: string | undefined;
  onChange: (quantities: Record<string, string>) => void;
}

/** One number per size, side by side as on a paper ticket. */
export function SizesField({ sizes, quantities, problem, onChange }: Props) {
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
            onChange={(event) => onChange({ ...quantities, [size]: event.target.value })}
          />
        ))}
      </div>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </fieldset>
  );
}
