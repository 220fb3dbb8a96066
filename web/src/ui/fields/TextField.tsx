import MuiTextField from '@mui/material/TextField';
import InputAdornment from '@mui/material/InputAdornment';
import { forwardRef } from 'react';

export interface FieldProps {
  label: string;
  /** What is wrong and what would be right. */
  problem?: string | undefined;
  /** What the field is for, below it. */
  help?: React.ReactNode;
  /** Room for a sentence is kept below, so that nothing jumps when there is one. */
  keepsRoom?: boolean;
  id?: string;
  name?: string;
  autoFocus?: boolean;
  disabled?: boolean;
  /** px; as wide as its place otherwise. */
  width?: number;
}

/** What stands below a field: what is wrong before what it is for. */
export const below = ({
  problem,
  help,
  keepsRoom,
}: Pick<FieldProps, 'problem' | 'help' | 'keepsRoom'>): React.ReactNode =>
  problem || help || (keepsRoom === true ? ' ' : undefined);

interface Props extends FieldProps {
  value: string;
  onChange: (text: string) => void;
  onBlur?: () => void;
  placeholder?: string;
  /** Lines, where it is more than one. */
  lines?: number;
  inputMode?: 'text' | 'numeric' | 'decimal' | 'search';
  maxLength?: number;
  before?: React.ReactNode;
  after?: React.ReactNode;
  /** The name is said, not shown: what stands around says it. */
  isNameHidden?: boolean;
  /** What it is called where its label is too short to be said alone. */
  spokenLabel?: string;
  /** One of several with a problem that is told below them all. */
  isWrong?: boolean;
}

/** Text as people type it. */
export const TextField = forwardRef<HTMLInputElement, Props>(function TextField(props, ref) {
  const { label, value, onChange, problem, width, lines, inputMode, maxLength, before, after, isNameHidden } =
    props;
  const inside = {
    ...(before === undefined
      ? {}
      : { startAdornment: <InputAdornment position="start">{before}</InputAdornment> }),
    ...(after === undefined ? {} : { endAdornment: <InputAdornment position="end">{after}</InputAdornment> }),
  };
  return (
    <MuiTextField
      {...(isNameHidden ? {} : { label })}
      {...(props.id === undefined ? {} : { id: props.id })}
      {...(props.name === undefined ? {} : { name: props.name })}
      inputRef={ref}
      value={value}
      placeholder={props.placeholder ?? ''}
      autoFocus={props.autoFocus ?? false}
      disabled={props.disabled ?? false}
      fullWidth={width === undefined}
      sx={width === undefined ? {} : { width }}
      error={Boolean(problem) || props.isWrong === true}
      helperText={below(props)}
      multiline={lines !== undefined}
      {...(lines === undefined ? {} : { minRows: lines })}
      onChange={(event) => onChange(event.target.value)}
      onBlur={props.onBlur}
      slotProps={{
        inputLabel: { shrink: true },
        input: inside,
        htmlInput: {
          autoComplete: 'off',
          ...(inputMode === undefined ? {} : { inputMode }),
          ...(maxLength === undefined ? {} : { maxLength }),
          ...(isNameHidden || props.spokenLabel ? { 'aria-label': props.spokenLabel ?? label } : {}),
        },
      }}
    />
  );
});
