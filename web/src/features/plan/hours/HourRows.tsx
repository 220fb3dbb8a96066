import { Controller, useFieldArray } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { FilledText } from '../../../form/index.ts';
import type { Filling } from '../../../form/index.ts';
import { Button, DateTimeField, Panel, Row, SelectField, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import type { HoursForm } from './hoursForm.ts';

interface OfForm {
  filling: Filling<HoursForm, HoursForm>;
  control: Control<HoursForm, unknown, HoursForm>;
}

type Spans = { name: 'away'; what: 'person' } | { name: 'down'; what: 'machine' };

interface Props extends OfForm {
  title: string;
  add: string;
  /** Said where there is none. */
  none: string;
  whatLabel: string;
  options: readonly { value: string; label: string }[];
}

/** Stretches in which somebody, or a machine, is not there. */
export function SpanRows({ title, add, none, whatLabel, options, filling, control, ...own }: Props & Spans) {
  const { fields, append, remove } = useFieldArray({ control, name: own.name });
  const first = options[0]?.value ?? '';
  const begin = (): void => {
    const empty = { from: '', to: '', why: '' };
    append(own.name === 'away' ? { ...empty, person: first } : { ...empty, machine: first });
  };
  const when = (i: number, end: 'from' | 'to', label: string) => (
    <Controller
      control={control}
      name={`${own.name}.${i}.${end}`}
      render={({ field: { value, onChange } }) => (
        <DateTimeField
          label={label}
          value={value}
          width={220}
          problem={filling.problems[`/${own.name}/${i}/${end}`]}
          keepsRoom
          onChange={onChange}
        />
      )}
    />
  );
  return (
    <Panel
      title={title}
      pad={16}
      actions={
        <Button size="small" disabled={options.length === 0} onClick={begin}>
          {add}
        </Button>
      }
    >
      <Stack>
        {fields.length === 0 && <p className="muted">{none}</p>}
        {fields.map(({ id }, i) => (
          <Row key={id} gap={12} align="start">
            <Controller
              control={control}
              name={own.name === 'away' ? `away.${i}.person` : `down.${i}.machine`}
              render={({ field: { value, onChange } }) => (
                <SelectField
                  label={whatLabel}
                  value={value}
                  options={options}
                  problem={filling.problems[`/${own.name}/${i}/${own.what}`]}
                  onChange={onChange}
                />
              )}
            />
            {when(i, 'from', t('From'))}
            {when(i, 'to', t('Until'))}
            <FilledText
              filling={filling}
              name={`${own.name}.${i}.why`}
              label={t('Why (optional)')}
              width={220}
            />
            <Button size="small" look="quiet" onClick={() => remove(i)}>
              {t('Take out')}
            </Button>
          </Row>
        ))}
      </Stack>
    </Panel>
  );
}

/** Days on which nobody works. */
export function HolidayRows({ filling, control }: OfForm) {
  const { fields, append, remove } = useFieldArray({ control, name: 'holidays' });
  return (
    <Panel
      title={t('Holidays')}
      pad={16}
      actions={
        <Button size="small" onClick={() => append({ date: '', name: '' })}>
          {t('Add a holiday')}
        </Button>
      }
    >
      <Stack>
        {fields.length === 0 && <p className="muted">{t('No day is a holiday.')}</p>}
        {fields.map(({ id }, i) => (
          <Row key={id} gap={12} align="start">
            <FilledText
              filling={filling}
              name={`holidays.${i}.date`}
              label={t('Day')}
              placeholder="2026-12-24"
              width={160}
              keepsRoom
            />
            <FilledText
              filling={filling}
              name={`holidays.${i}.name`}
              label={t('Name (optional)')}
              width={260}
            />
            <Button size="small" look="quiet" onClick={() => remove(i)}>
              {t('Take out')}
            </Button>
          </Row>
        ))}
      </Stack>
    </Panel>
  );
}
