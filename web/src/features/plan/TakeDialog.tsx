import type { Machine, ShopCalendar } from '@saltflat/contract';
import { useState } from 'react';
import { takeFile } from '../../api/takeFile.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import type { PlanTime } from '../../planned/index.ts';
import { Button, Dialog, Refusal, Row, SelectField, SimpleTable, Stack } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

interface Props {
  calendar: ShopCalendar;
  machines: readonly Machine[];
  /** Machines that have work in the plan. */
  used: ReadonlySet<string>;
  /** Days that are planned, as “2026-06-03”, with the minute each begins. */
  days: readonly { date: string; fromMin: number }[];
  time: PlanTime;
  onClose: () => void;
}

interface Source {
  key: string;
  name: string;
  what: string;
  path: string;
}

/** The plan that is kept, to be taken elsewhere: a day on paper, calendars to subscribe to. */
export function TakeDialog({ calendar, machines, used, days, time, onClose }: Props) {
  const [date, setDate] = useState(days[0]?.date ?? '');
  const attempt = useAttempt();
  const sources: Source[] = [
    ...calendar.document.people.map(({ name }) => ({
      key: `person ${name}`,
      name,
      what: t('what takes hands while they are there'),
      path: `/api/v1/plan/people/${encodeURIComponent(name)}/work.ics`,
    })),
    ...machines
      .filter(({ id }) => used.has(id))
      .map(({ id, name }) => ({
        key: id,
        name,
        what: t('its work and its changes of temperature'),
        path: `/api/v1/plan/machines/${id}/work.ics`,
      })),
  ];
  return (
    <Dialog
      title={t('Take the plan with you')}
      width="md"
      onClose={onClose}
      actions={<Button onClick={onClose}>{t('Close')}</Button>}
    >
      <Stack gap={16}>
        <p className="muted">{t('The plan as it is kept, followed as the shop stands.')}</p>
        <Row gap={12} align="end" isOneLine>
          <SelectField
            label={t('A day on paper')}
            value={date}
            options={days.map((own) => ({ value: own.date, label: time(own.fromMin, 'weekday') }))}
            onChange={setDate}
          />
          <Button
            isBusy={attempt.isBusy('day')}
            onClick={() => void attempt.make('day', () => takeFile(`/plan/day.pdf?date=${date}`))}
          >
            {t('A page for each station (PDF)')}
          </Button>
        </Row>
        <Refusal {...attempt.refusal('day')} />
        <Stack gap={8}>
          <p>{t('Subscribe to an address, and that calendar stays up to date; or open its file once.')}</p>
          <SimpleTable
            label={t('Calendars')}
            rows={sources}
            keyOf={({ key }) => key}
            columns={[
              { key: 'name', title: t('Of'), cell: ({ name }) => name },
              { key: 'what', title: t('Holds'), cell: ({ what }) => <span className="muted">{what}</span> },
              {
                key: 'address',
                title: t('Address'),
                cell: ({ path }) => (
                  <code className="small" style={{ userSelect: 'all', overflowWrap: 'anywhere' }}>
                    {new URL(path, window.location.href).href}
                  </code>
                ),
              },
              {
                key: 'take',
                title: t('File'),
                cell: ({ name, path }) => (
                  <Button size="small" look="quiet" download={path} label={t('The file of {name}', { name })}>
                    {t('The file')}
                  </Button>
                ),
              },
            ]}
          />
        </Stack>
      </Stack>
    </Dialog>
  );
}
