import type { Machine, ShopCalendar } from '@saltflat/contract';
import { wallIn } from '@saltflat/contract/wallClock';
import type { WorkCalendar } from '@saltflat/core/plan';
import { useState } from 'react';
import type { RefusalProps } from '../../api/useAttempt.ts';
import {
  Button,
  DateTimeField,
  Dialog,
  Refusal,
  Row,
  SelectField,
  TextField,
  ToggleField,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { withEvent } from './events.ts';
import type { ShopEvent } from './events.ts';

interface Props {
  calendar: ShopCalendar;
  machines: readonly Machine[];
  /** Machine that is asked about first. */
  machine: string | null;
  nowMs: number;
  isSending: boolean;
  refusal: RefusalProps;
  onSay: (record: WorkCalendar) => void;
  onClose: () => void;
}

const KINDS = [
  { value: 'machine', label: t('A machine stands still') },
  { value: 'person', label: t('Somebody is away') },
  { value: 'power', label: t('The power is out') },
] as const;
const FOR_MS = 2 * 3_600_000;

/** What has come in the way: said once, it is in the working hours, and the plan follows. */
export function EventDialog({ calendar, machines, machine, nowMs, isSending, refusal, ...on }: Props) {
  const { zone, people } = calendar.document;
  const [event, setEvent] = useState<ShopEvent>(() => ({
    kind: 'machine',
    what: machine ?? machines[0]?.id ?? '',
    from: wallIn(zone, nowMs),
    to: wallIn(zone, nowMs + FOR_MS),
    why: '',
  }));
  const change = (part: Partial<ShopEvent>): void => setEvent((before) => ({ ...before, ...part }));
  const problem = problemOf(event);
  const [isAsked, setIsAsked] = useState(false);
  const say = (): void => {
    setIsAsked(true);
    const ids = machines.map(({ id }) => id);
    if (problem === null) on.onSay(withEvent(calendar.document, event, ids));
  };
  const options =
    event.kind === 'machine'
      ? machines.map(({ id, name }) => ({ value: id, label: name }))
      : people.map(({ name }) => ({ value: name, label: name }));
  return (
    <Dialog
      title={t('Something came in the way')}
      onClose={on.onClose}
      onSubmit={say}
      actions={
        <>
          <Button onClick={on.onClose}>{t('Leave it')}</Button>
          <Button look="primary" type="submit" isBusy={isSending}>
            {t('Let the plan follow')}
          </Button>
        </>
      }
    >
      <ToggleField
        label={t('What')}
        isNameHidden
        value={event.kind}
        options={KINDS}
        onChange={(kind) =>
          change({ kind, what: (kind === 'machine' ? machines[0]?.id : people[0]?.name) ?? '' })
        }
      />
      {event.kind !== 'power' && (
        <SelectField
          label={event.kind === 'machine' ? t('Machine') : t('Who')}
          value={event.what}
          options={options}
          onChange={(what) => change({ what })}
        />
      )}
      <Row gap={12} align="start">
        <DateTimeField label={t('From')} value={event.from} onChange={(from) => change({ from })} />
        <DateTimeField
          label={t('Until')}
          value={event.to}
          problem={isAsked ? (problem ?? undefined) : undefined}
          onChange={(to) => change({ to })}
        />
      </Row>
      <TextField
        label={t('Why (optional)')}
        value={event.why}
        maxLength={120}
        onChange={(why) => change({ why })}
      />
      <p className="muted small">
        {t(
          'The plan is moved as little as it can be; a better one is then looked for and offered. It can be taken out again in the working hours.',
        )}
      </p>
      <Refusal {...refusal} />
    </Dialog>
  );
}

function problemOf({ from, to }: ShopEvent): string | null {
  if (from === '' || to === '') return t('Give the day and hour from when and until when.');
  return to <= from ? t('It ends before it begins: give a later day or hour.') : null;
}
