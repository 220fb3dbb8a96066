import type { Machine } from '@saltflat/contract';
import { Controller } from 'react-hook-form';
import { FilledText } from '../../../form/index.ts';
import type { Filling } from '../../../form/index.ts';
import { Button, CheckField, CheckSet, Columns, Grow, Row, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { WEEKDAYS } from './hoursForm.ts';
import type { HoursForm } from './hoursForm.ts';

interface Props {
  filling: Filling<HoursForm, HoursForm>;
  index: number;
  machines: readonly Machine[];
  onRemove: () => void;
}

/** One person: their name, hours where they have their own, and which machines they may run. */
export function PersonFields({ filling, index: i, machines, onRemove }: Props) {
  const { control, watch } = filling.form;
  const [hasOwn, isLimited] = watch([`people.${i}.hasOwn`, `people.${i}.isLimited`]);
  const flag = (name: 'hasOwn' | 'isLimited', label: string) => (
    <Controller
      control={control}
      name={`people.${i}.${name}`}
      render={({ field: { value, onChange } }) => (
        <CheckField label={label} isChecked={value} onChange={onChange} />
      )}
    />
  );
  return (
    <Stack gap={8}>
      <Row gap={16} align="start">
        <FilledText filling={filling} name={`people.${i}.name`} label={t('Name')} width={200} keepsRoom />
        {flag('hasOwn', t('hours of their own'))}
        {flag('isLimited', t('only some machines'))}
        <Grow />
        <Button size="small" look="quiet" onClick={onRemove}>
          {t('Take out')}
        </Button>
      </Row>
      {hasOwn && (
        <Columns least={112}>
          {WEEKDAYS.map((day, k) => (
            <FilledText key={day} filling={filling} name={`people.${i}.week.${k}`} label={day} keepsRoom />
          ))}
          <FilledText filling={filling} name={`people.${i}.breaks`} label={t('Breaks')} keepsRoom />
        </Columns>
      )}
      {isLimited && (
        <Controller
          control={control}
          name={`people.${i}.machines`}
          render={({ field: { value, onChange } }) => (
            <CheckSet
              label={t('May run')}
              options={machines.map(({ id, name }) => ({ value: id, label: name }))}
              chosen={value}
              onChange={onChange}
            />
          )}
        />
      )}
    </Stack>
  );
}
