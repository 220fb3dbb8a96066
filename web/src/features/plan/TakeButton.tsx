import type { Machine, PlanGround } from '@saltflat/contract';
import { Suspense, lazy, useState } from 'react';
import type { PlanTime } from '../../planned/index.ts';
import { Button } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import type { PlanDesk } from './usePlanRoom.ts';

/** It is seldom taken. */
const TakeDialog = lazy(async () => ({ default: (await import('./TakeDialog.tsx')).TakeDialog }));

interface Props {
  ground: PlanGround;
  machines: readonly Machine[];
  desk: PlanDesk;
  time: PlanTime;
}

/** Takes the plan that is kept elsewhere: on paper, into calendars. */
export function TakeButton({ ground, machines, desk, time }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const { picture, room } = desk;
  if (ground.kept === null || picture === null) return null;
  const used = new Set(picture.ops.flatMap(({ machine }) => machine ?? []));
  return (
    <>
      <Button onClick={() => setIsOpen(true)}>{t('Take it with you …')}</Button>
      {isOpen && (
        <Suspense fallback={null}>
          <TakeDialog
            calendar={ground.calendar}
            machines={machines}
            used={used}
            days={room.days}
            time={time}
            onClose={() => setIsOpen(false)}
          />
        </Suspense>
      )}
    </>
  );
}
