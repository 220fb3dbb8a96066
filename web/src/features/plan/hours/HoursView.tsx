import type { Machine, ShopCalendar } from '@saltflat/contract';
import type { WorkCalendar } from '@saltflat/core/plan';
import { useMemo } from 'react';
import { useFieldArray } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { FilledText, Overtaken, useDraftForm } from '../../../form/index.ts';
import { Button, Columns, Form, Note, Panel, Refusal, Row, Stack } from '../../../ui/index.ts';
import { t } from '../../../words/index.ts';
import { WEEKDAYS, calendarOf, faultsOfHours, hoursFormOf, newPerson } from './hoursForm.ts';
import type { HoursForm } from './hoursForm.ts';
import { HolidayRows, SpanRows } from './HourRows.tsx';
import { HoursFile } from './HoursFile.tsx';
import { PersonFields } from './PersonFields.tsx';

interface Props {
  calendar: ShopCalendar;
  machines: readonly Machine[];
  save: (change: { version: number; record: WorkCalendar }) => Promise<{ error?: unknown }>;
  onSaved: () => void;
}

/** What a form holds is what is checked; the calendar is made of it when it is sent. */
const FILLED = {
  check: () => Promise.resolve(() => true),
  more: (form: HoursForm) => faultsOfHours(form),
};

/** When the shop works, who is there, and what stands still: plans go by it. */
export function HoursView({ calendar, machines, save, onSaved }: Props) {
  const { document, version, isAssumed } = calendar;
  const filling = useDraftForm<HoursForm, HoursForm, unknown>({
    draftKey: 'saltflat.plan.hours',
    current: useMemo(() => ({ version, values: hoursFormOf(document) }), [version, document]),
    filled: FILLED,
    send: (form, over) => save({ version: over, record: calendarOf(form) }),
    onSent: onSaved,
    ownPath: (path) => path.replace(/^\/record/, ''),
  });
  const { form } = filling;
  const people = useFieldArray({ control: form.control, name: 'people' });
  return (
    <Form label={t('Working hours')} onSubmit={filling.submit}>
      <Stack gap={16}>
        {isAssumed && (
          <Note tone="caution">
            {t('Nobody has said when the shop works: what stands here is assumed, and plans go by it.')}
          </Note>
        )}
        <Panel title={t('The shop')} says={t('Hours as 8:00–16:30; nothing on a day off')} pad={16}>
          <Stack>
            <Columns least={128}>
              {WEEKDAYS.map((day, i) => (
                <FilledText key={day} filling={filling} name={`week.${i}`} label={day} keepsRoom />
              ))}
            </Columns>
            <Columns least={260}>
              <FilledText filling={filling} name="breaks" label={t('Breaks')} keepsRoom />
              <FilledText filling={filling} name="zone" label={t('Time zone')} keepsRoom />
            </Columns>
          </Stack>
        </Panel>
        <Panel
          title={t('People')}
          says={t('A machine works while somebody is in who may run it')}
          pad={16}
          actions={
            <Button size="small" onClick={() => people.append(newPerson(form.getValues()))}>
              {t('Add a person')}
            </Button>
          }
        >
          <Stack gap={16}>
            {people.fields.length === 0 && (
              <p className="muted">{t('Nobody works here: nothing can be planned.')}</p>
            )}
            {people.fields.map(({ id }, i) => (
              <PersonFields
                key={id}
                filling={filling}
                index={i}
                machines={machines}
                onRemove={() => people.remove(i)}
              />
            ))}
          </Stack>
        </Panel>
        <Exceptions filling={filling} machines={machines} control={form.control} />
        <HoursFile
          values={() => form.getValues()}
          machines={machines}
          onRead={(read) => {
            for (const key of Object.keys(read) as (keyof HoursForm)[])
              form.setValue(key, read[key], { shouldDirty: true, shouldTouch: true });
          }}
        />
        {filling.isOvertaken && (
          <Overtaken
            what={t('The working hours')}
            onKeepMine={filling.keepMine}
            onStartAgain={filling.startAgain}
          />
        )}
        <Refusal words={filling.refusal} />
        <Row justify="flex-end">
          <Button to="/plan">{t('Back to the plan')}</Button>
          <Button look="primary" type="submit" isBusy={filling.isSending}>
            {t('Save the hours')}
          </Button>
        </Row>
      </Stack>
    </Form>
  );
}

type Filling = ReturnType<typeof useDraftForm<HoursForm, HoursForm, unknown>>;

/** Days and hours that are not as usual. */
function Exceptions({
  filling,
  machines,
  control,
}: {
  filling: Filling;
  machines: readonly Machine[];
  control: Control<HoursForm, unknown, HoursForm>;
}) {
  const people = filling.form.watch('people');
  return (
    <>
      <SpanRows
        title={t('Away')}
        add={t('Somebody is away')}
        none={t('Nobody is away.')}
        name="away"
        what="person"
        whatLabel={t('Who')}
        options={people.map(({ name }) => ({ value: name, label: name }))}
        filling={filling}
        control={control}
      />
      <SpanRows
        title={t('Machines that stand still')}
        add={t('A machine stands still')}
        none={t('All machines can be used.')}
        name="down"
        what="machine"
        whatLabel={t('Machine')}
        options={machines.map(({ id, name }) => ({ value: id, label: name }))}
        filling={filling}
        control={control}
      />
      <HolidayRows filling={filling} control={control} />
    </>
  );
}
