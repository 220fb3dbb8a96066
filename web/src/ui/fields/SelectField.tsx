import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useId } from 'react';
import { FieldFrame, adornments, below } from './FieldFrame.tsx';
import type { FieldProps } from './FieldFrame.tsx';

interface Props<T extends string> extends FieldProps {
  value: T;
  options: readonly { value: T; label: string; disabled?: boolean }[];
  onChange: (value: T) => void;
  before?: React.ReactNode;
  isNameHidden?: boolean;
}

/** One of a list. The list is the system’s own, which is quickest by keyboard, by thumb and with gloves. */
export function SelectField<T extends string>(props: Props<T>) {
  const { label, value, options, onChange, problem, before, isNameHidden = false } = props;
  const ownId = useId();
  const id = props.id ?? ownId;
  const words = below(props);
  return (
    <FieldFrame
      label={label}
      {...(props.width === undefined ? {} : { width: props.width })}
      disabled={props.disabled ?? false}
      inputId={id}
      isWrong={Boolean(problem)}
      isNameHidden={isNameHidden}
      words={words}
    >
      <NativeSelect
        value={value}
        autoFocus={props.autoFocus ?? false}
        onChange={(event) => onChange(event.target.value as T)} // one of the options, which are all T
        input={
          <OutlinedInput
            id={id}
            {...(isNameHidden ? {} : { label, notched: true })}
            {...adornments(before, null)}
          />
        }
        inputProps={{
          id,
          ...(words ? { 'aria-describedby': `${id}-below` } : {}),
          ...(isNameHidden ? { 'aria-label': label } : {}),
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value} disabled={option.disabled}>
            {option.label}
          </option>
        ))}
      </NativeSelect>
    </FieldFrame>
  );
}
