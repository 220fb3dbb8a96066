import type { Machine, PlanGround } from '@saltflat/contract';
import type { WorkCalendar } from '@saltflat/core/plan';
import { Suspense, lazy, useState } from 'react';
import { serverNow } from '../../api/serverClock.ts';
import type { RefusalProps } from '../../api/useAttempt.ts';
import { Button } from '../../ui/index.ts';
import { t } from '../../words/index.ts';

/** Little comes in the way. */
const EventDialog = lazy(async () => ({ default: (await import('./EventDialog.tsx')).EventDialog }));

interface Props {
  ground: PlanGround;
  machines: readonly Machine[];
  machine: string | null;
  event: EventSaying;
}

/** How what has come in the way is sent. */
export interface EventSaying {
  isSending: boolean;
  refusal: RefusalProps;
  say: (record: WorkCalendar, then: () => void) => void;
}

/** Says what has come in the way; the plan follows it, and a better one is looked for where it makes anything later. */
export function EventButton({ ground, machines, machine, event }: Props) {
  const [isOpen, setIsOpen] = useState(false);
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
            onSay={(record) => event.say(record, () => setIsOpen(false))}
            onClose={() => setIsOpen(false)}
          />
        </Suspense>
      )}
    </>
  );
}
