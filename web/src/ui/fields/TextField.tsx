import OutlinedInput from '@mui/material/OutlinedInput';
import { forwardRef, useId } from 'react';
import { FieldFrame, adornments, describedBy } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

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
  const { label, value, onChange, lines, inputMode, maxLength, before, after } = props;
  const { isNameHidden = false, spokenLabel } = props;
  const ownId = useId();
  const id = props.id ?? ownId;
  return (
    <FieldFrame field={props} inputId={id}>
      <OutlinedInput
        id={id}
        {...(props.name === undefined ? {} : { name: props.name })}
        {...(isNameHidden ? {} : { label, notched: true })}
        inputRef={ref}
        value={value}
        placeholder={props.placeholder ?? ''}
        autoFocus={props.autoFocus ?? false}
        multiline={lines !== undefined}
        {...(lines === undefined ? {} : { minRows: lines })}
        onChange={(event) => onChange(event.target.value)}
        onBlur={props.onBlur}
        {...adornments(before, after)}
        slotProps={{
          input: {
            autoComplete: 'off',
            ...describedBy(props, id),
            ...(inputMode === undefined ? {} : { inputMode }),
            ...(maxLength === undefined ? {} : { maxLength }),
            ...(isNameHidden || spokenLabel ? { 'aria-label': spokenLabel ?? label } : {}),
          },
        }}
      />
    </FieldFrame>
  );
});
