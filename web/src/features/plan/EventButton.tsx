import type { Machine, PlanGround } from '@saltflat/contract';
import type { WorkCalendar } from '@saltflat/core/plan';
import { Suspense, lazy, useEffect, useState } from 'react';
import { serverNow } from '../../api/serverClock.ts';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { Button } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { PlanDesk } from './usePlanRoom.ts';

/** Little comes in the way. */
const EventDialog = lazy(async () => ({ default: (await import('./EventDialog.tsx')).EventDialog }));

interface Props {
  ground: PlanGround;
  machines: readonly Machine[];
  machine: string | null;
  desk: PlanDesk;
  event: EventSaying;
}

/** How what has come in the way is sent. */
export interface EventSaying {
  isSending: boolean;
  refusal: RefusalProps;
  say: (record: WorkCalendar, then: () => void) => void;
}

/** Says what has come in the way; once the plan has followed, a better one is looked for. */
export function EventButton({ ground, machines, machine, desk, event }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  /** Version of the working hours that is waited for. */
  const [awaited, setAwaited] = useState<number | null>(null);
  const { version } = ground.calendar;
  const { improve } = desk;
  useEffect(() => {
    if (awaited === null || version < awaited) return;
    setAwaited(null);
    improve();
    // once the hours are there that were said
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [awaited, version]);
  return (
    <>
      <Button onClick={() => setIsOpen(true)}>{t('Something came up …')}</Button>
      {isOpen && (
        <Suspense fallback={null}>
          <EventDialog
            calendar={ground.calendar}
            machines={machines}
            machine={machine}
            nowMs={serverNow()}
            isSending={event.isSending}
            refusal={event.refusal}
            onSay={(record) =>
              event.say(record, () => {
                setIsOpen(false);
                setAwaited(version + 1);
              })
            }
            onClose={() => setIsOpen(false)}
          />
        </Suspense>
      )}
    </>
  );
}
