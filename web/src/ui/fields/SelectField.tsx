import MenuItem from '@mui/material/MenuItem';
import MuiTextField from '@mui/material/TextField';
import InputAdornment from '@mui/material/InputAdornment';
import { below } from './TextField.tsx';
import type { FieldProps } from './TextField.tsx';

interface SelectOption<T extends string = string> {
  value: T;
  label: string;
  /** More about it, beside it in the list: then the list is ours, not the system’s. */
  says?: string;
  disabled?: boolean;
}

interface Props<T extends string> extends FieldProps {
  value: T;
  options: readonly SelectOption<T>[];
  onChange: (value: T) => void;
  before?: React.ReactNode;
  isNameHidden?: boolean;
  /** What it is called where several on a page have one name. */
  ariaLabel?: string;
}

/**
 * One of a list. The list is the system’s own, which is quickest by keyboard, by thumb and with gloves; where the
 * choices have something to say, it is a menu that shows it.
 */
export function SelectField<T extends string>(props: Props<T>) {
  const { label, value, options, onChange, problem, width, before, isNameHidden = false, ariaLabel } = props;
  const isMenu = options.some(({ says }) => says !== undefined);
  const spoken = ariaLabel ?? (isNameHidden ? label : undefined);
  return (
    <MuiTextField
      select
      {...(isNameHidden ? {} : { label })}
      {...(props.id === undefined ? {} : { id: props.id })}
      value={value}
      autoFocus={props.autoFocus ?? false}
      disabled={props.disabled ?? false}
      fullWidth={width === undefined}
      sx={width === undefined ? {} : { width, maxWidth: '100%' }}
      error={Boolean(problem)}
      helperText={below(props)}
      onChange={(event) => onChange(event.target.value as T)} // one of the options, which are all T
      slotProps={{
        inputLabel: { shrink: true },
        select: {
          native: !isMenu,
          ...(isMenu && spoken ? { SelectDisplayProps: { 'aria-label': spoken } } : {}),
        },
        ...(before === undefined
          ? {}
          : { input: { startAdornment: <InputAdornment position="start">{before}</InputAdornment> } }),
        ...(!isMenu && spoken ? { htmlInput: { 'aria-label': spoken } } : {}),
      }}
    >
      {options.map((option) =>
        isMenu ? (
          <MenuItem key={option.value} value={option.value} disabled={option.disabled ?? false}>
            <span>
              {option.label} <span className="muted small">{option.says}</span>
            </span>
          </MenuItem>
        ) : (
          // a native list takes options of its own kind only
          <option key={option.value} value={option.value} disabled={option.disabled}>
            {option.label}
          </option>
        ),
      )}
    </MuiTextField>
  );
}
