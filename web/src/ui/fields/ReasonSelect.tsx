import MenuItem from '@mui/material/MenuItem';
import MuiTextField from '@mui/material/TextField';
import { below } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

interface Props extends Omit<FieldProps, 'width'> {
  value: string;
  /** Each with what is to be said of it, beside it in the list. */
  options: readonly { value: string; label: string; says?: string; disabled?: boolean }[];
  onChange: (value: string) => void;
  isNameHidden?: boolean;
}

/** One of a few, where each has something to say: why it fits, or why it cannot be taken. */
export const ReasonSelect = ({ label, value, options, onChange, isNameHidden = false, ...own }: Props) => (
  <MuiTextField
    select
    fullWidth
    {...(isNameHidden ? {} : { label })}
    value={value}
    error={Boolean(own.problem)}
    helperText={below(own)}
    onChange={(event) => onChange(event.target.value)}
    slotProps={{
      inputLabel: { shrink: true },
      select: isNameHidden ? { SelectDisplayProps: { 'aria-label': label } } : {},
    }}
  >
    {options.map((option) => (
      <MenuItem key={option.value} value={option.value} disabled={option.disabled ?? false}>
        <span>
          {option.label} <span className="muted small">{option.says}</span>
        </span>
      </MenuItem>
    ))}
  </MuiTextField>
);
