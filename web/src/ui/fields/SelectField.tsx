import NativeSelect from '@mui/material/NativeSelect';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useId } from 'react';
import { FieldFrame, adornments, describedBy } from './FieldFrame.tsx';
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
  const { label, value, options, onChange, before, isNameHidden = false } = props;
  const ownId = useId();
  const id = props.id ?? ownId;
  return (
    <FieldFrame field={props} inputId={id}>
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
          ...describedBy(props, id),
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
