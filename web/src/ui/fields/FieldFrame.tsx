import FormControl from '@mui/material/FormControl';
import FormHelperText from '@mui/material/FormHelperText';
import InputAdornment from '@mui/material/InputAdornment';
import InputLabel from '@mui/material/InputLabel';

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

interface Props {
  field: FieldProps & { isNameHidden?: boolean; isWrong?: boolean };
  /** Of the input inside; the words below are `id-below`. */
  inputId: string;
  children: React.ReactNode;
}

/**
 * A name above, the words below, an input between. The library’s own text field brings its menus and dialogs along, which
 * the first page has no room for: this is made of the same parts without them.
 */
export function FieldFrame({ field, inputId, children }: Props) {
  const { label, problem, isWrong = false, isNameHidden = false, disabled = false, width } = field;
  const words = below(field);
  return (
    <FormControl
      size="small"
      variant="outlined"
      error={Boolean(problem) || isWrong}
      disabled={disabled}
      fullWidth={width === undefined}
      sx={width === undefined ? {} : { width, maxWidth: '100%' }}
    >
      {!isNameHidden && (
        <InputLabel htmlFor={inputId} shrink>
          {label}
        </InputLabel>
      )}
      {children}
      {words && <FormHelperText id={`${inputId}-below`}>{words}</FormHelperText>}
    </FormControl>
  );
}

/** The words below a field belong to what is typed in it. */
export const describedBy = (field: Parameters<typeof below>[0], inputId: string) =>
  below(field) ? { 'aria-describedby': `${inputId}-below` } : {};

/** What stands inside a field before and after what is typed. */
export const adornments = (before: React.ReactNode, after: React.ReactNode) => ({
  ...(before ? { startAdornment: <InputAdornment position="start">{before}</InputAdornment> } : {}),
  ...(after ? { endAdornment: <InputAdornment position="end">{after}</InputAdornment> } : {}),
});
