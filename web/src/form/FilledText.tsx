import { Controller } from 'react-hook-form';
import type { FieldPath, FieldValues } from 'react-hook-form';
import type { Filling } from './useFilled.ts';
import { TextField } from '../ui/index.ts';

type Look = Omit<React.ComponentProps<typeof TextField>, 'value' | 'onChange' | 'problem' | 'ref' | 'name'>;

interface Props<V extends FieldValues, D extends FieldValues> extends Look {
  filling: Pick<Filling<V, D>, 'form' | 'problems'>;
  /** Of values that are text. */
  name: FieldPath<V>;
}

/** A line of text of a form, with what is wrong with it. */
export const FilledText = <V extends FieldValues, D extends FieldValues>({
  filling,
  name,
  ...look
}: Props<V, D>) => (
  <Controller
    control={filling.form.control}
    name={name}
    render={({ field: { value, onChange } }) => (
      <TextField
        {...look}
        value={value}
        problem={filling.problems[`/${name.replaceAll('.', '/')}`]}
        onChange={onChange}
      />
    )}
  />
);
