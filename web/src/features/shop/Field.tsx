import { t } from '../../words/index.ts';
import type { RecordField } from '@saltflat/contract/shopFields';
import { useUnits } from '../../units/writingSlice.ts';
import { choiceWords } from './choiceWords.ts';
import {
  CheckField,
  ColourField,
  NumberField,
  QuantityField,
  SelectField,
  TextField,
} from '../../ui/index.ts';

interface Props {
  field: RecordField;
  value: unknown;
  problem: string | undefined;
  /** In a row of several: without room for help below. */
  isNarrow?: boolean;
  onChange: (value: unknown) => void;
}

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
      <NumberField
        label={label}
        isMoney={isMoney}
        value={typeof value === 'number' ? value : null}
        problem={problem}
        keepsRoom
        onChange={onChange}
      />
    );
  if (type === 'flag') return <CheckField label={title} isChecked={value === true} onChange={onChange} />;
  if (type === 'choice')
    return (
      <SelectField
        label={label}
        value={typeof value === 'string' ? value : ''}
        problem={problem}
        keepsRoom={!isNarrow}
        options={[
          ...(isOptional ? [{ value: '', label: '–' }] : []),
          ...field.choices.map((choice) => ({ value: choice, label: choiceWords(field, choice) })),
        ]}
        onChange={(choice) => onChange(isOptional && choice === '' ? null : choice)}
      />
    );
  const text = typeof value === 'string' ? value : '';
  const isColour = field.path.at(-1) === 'hex';
  return (
    <TextField
      label={label}
      value={text}
      problem={problem}
      help={isNarrow ? undefined : help}
      keepsRoom={!isNarrow}
      before={
        isColour ? <ColourField label={t('Pick the colour')} hex={text} onChange={onChange} /> : undefined
      }
      onChange={(own) => onChange(isOptional && own === '' ? null : isColour ? own.toLowerCase() : own)}
    />
  );
}

/** Times here run from seconds to days, and a span may begin at the room's own temperature. */
const hasNoSlip = ({ quantity, path }: RecordField): boolean =>
  quantity === 'duration' || path.at(-1) === 'min';
