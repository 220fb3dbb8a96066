import type { RecordField } from '@saltflat/contract/shopFields';
import { parseMoney } from '@saltflat/core/units';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useUnits } from '../../units/unitsSlice.ts';
import { choiceWords } from './choiceWords.ts';

interface Props {
  field: RecordField;
  value: unknown;
  problem: string | undefined;
  /** In a row of several: without room for help below. */
  isNarrow?: boolean;
  onChange: (value: unknown) => void;
}

/** Room for a long label: above the line it is written smaller. */
const LABEL_ABOVE = { inputLabel: { shrink: true } } as const;

/** One field of a record, by its kind: a quantity as people type it, money, a choice, a flag, text. */
export function Field({ field, value, problem, isNarrow = false, onChange }: Props) {
  const system = useUnits();
  const { title, type, quantity, isMoney, isOptional, help } = field;
  const label = isOptional ? `${title} (optional)` : title;
  if (quantity !== null)
    return (
      <QuantityField
        label={label}
        kind={quantity}
        system={system}
        value={typeof value === 'number' ? value : null}
        problem={problem}
        usual={hasNoSlip(field) && typeof value === 'number' ? value : null}
        mayBeEmpty={isOptional}
        onChange={onChange}
      />
    );
  if (type === 'number' || type === 'integer' || isMoney)
    return (
      <NumberField label={label} isMoney={isMoney} value={value} problem={problem} onChange={onChange} />
    );
  if (type === 'flag')
    return (
      <label className="check record-flag">
        <input
          type="checkbox"
          checked={value === true}
          onChange={(event) => onChange(event.target.checked)}
        />
        {title}
      </label>
    );
  if (type === 'choice')
    return (
      <TextField
        select
        label={label}
        size="small"
        fullWidth
        value={value ?? ''}
        error={problem !== undefined}
        helperText={problem ?? (isNarrow ? undefined : ' ')}
        onChange={(event) => onChange(isOptional && event.target.value === '' ? null : event.target.value)}
        slotProps={{ select: { native: true }, ...LABEL_ABOVE }}
      >
        {isOptional && <option value="">–</option>}
        {field.choices.map((choice) => (
          <option key={choice} value={choice}>
            {choiceWords(field, choice)}
          </option>
        ))}
      </TextField>
    );
  const text = typeof value === 'string' ? value : '';
  const isColour = field.path.at(-1) === 'hex';
  const typed = (own: string): string | null =>
    isOptional && own === '' ? null : isColour ? own.toLowerCase() : own;
  return (
    <TextField
      label={label}
      size="small"
      fullWidth
      value={text}
      error={problem !== undefined}
      helperText={problem ?? (isNarrow ? undefined : help || ' ')}
      onChange={(event) => onChange(typed(event.target.value))}
      slotProps={
        isColour
          ? {
              ...LABEL_ABOVE,
              input: {
                startAdornment: (
                  <input
                    type="color"
                    className="colour-pick"
                    aria-label="Pick the colour"
                    value={/^#[0-9a-f]{6}$/.test(text) ? text : '#888888'}
                    onChange={(event) => onChange(event.target.value)}
                  />
                ),
              },
            }
          : LABEL_ABOVE
      }
    />
  );
}

/** Times here run from seconds to days, and a span may begin at the room's own temperature. */
const hasNoSlip = ({ quantity, path }: RecordField): boolean =>
  quantity === 'duration' || path.at(-1) === 'min';

/** A bare number, or money typed in whole units: what is not understood stays on the screen and says so. */
function NumberField({
  label,
  isMoney,
  value,
  problem,
  onChange,
}: {
  label: string;
  isMoney: boolean;
  value: unknown;
  problem: string | undefined;
  onChange: (value: number | null) => void;
}) {
  const shown = typeof value === 'number' ? (isMoney ? (value / 100).toFixed(2) : String(value)) : '';
  const [text, setText] = useState(shown);
  const read = (typed: string): number | null => (isMoney ? parseMoney(typed) : parsePlain(typed));
  useEffect(() => {
    if (read(text) !== value && !(text.trim() === '' && value === null)) setText(shown);
    // only a value from outside rewrites what is typed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value]);
  const isWrong = text.trim() !== '' && read(text) === null;
  const wrong = problem ?? (isWrong ? `“${text}” is not a number.` : undefined);
  return (
    <TextField
      label={label}
      size="small"
      fullWidth
      value={text}
      error={wrong !== undefined}
      helperText={wrong ?? ' '}
      onChange={(event) => {
        setText(event.target.value);
        onChange(read(event.target.value));
      }}
      slotProps={{
        htmlInput: { inputMode: 'decimal' },
        ...LABEL_ABOVE,
        ...(isMoney
          ? { input: { startAdornment: <InputAdornment position="start">€</InputAdornment> } }
          : {}),
      }}
    />
  );
}

function parsePlain(text: string): number | null {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(number) ? null : number;
}
