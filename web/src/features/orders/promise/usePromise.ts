import type { Machine, PlanGround, WantedAnswer } from '@saltflat/contract';
import type { PromiseAnswer } from '@saltflat/core/plan';
import { useEffect, useMemo, useState } from 'react';
import { serverNow } from '../../../api/serverClock.ts';
import { wantedRoom } from '../../../planned/index.ts';
import type { WantedRoom } from '../../../planned/index.ts';
import { planAside } from '../../../worker/planClient.ts';

/** A chance is uncertain by 5 % at most, and 120 plans are followed in a moment. */
const SAMPLES = 120;

interface Asking {
  ground: PlanGround | undefined;
  machines: readonly Machine[];
  sought: WantedAnswer | undefined;
  /** Lines that are already in and are written anew. */
  instead: ReadonlySet<string>;
}

export interface Promising {
  room: WantedRoom;
  /** `null` until the first way of doing it is known. */
  answer: PromiseAnswer | null;
  isWorking: boolean;
  failed: string | null;
}

/** When what is written could be through; `null` while there is nothing to be asked. */
export function usePromise({ ground, machines, sought, instead }: Asking): Promising | null {
  const room = useMemo(
    () =>
      ground && sought && sought.jobs.length > 0
        ? wantedRoom(ground, machines, serverNow(), { jobs: sought.jobs, instead })
        : null,
    [ground, machines, sought, instead],
  );
  const [found, setFound] = useState<Omit<Promising, 'room'> & { of: WantedRoom | null }>(NOTHING);
  useEffect(() => {
    if (room === null) return undefined;
    const { instance, spread, plan, wanted } = room;
    const tell = (answer: PromiseAnswer | null, isWorking: boolean): void =>
      setFound({ of: room, answer, isWorking, failed: null });
    tell(null, true);
    const question = { instance, plan, wanted, seed: 1, samples: SAMPLES, ...spread };
    const asked = planAside.ask('promise', question, undefined, (answer) => tell(answer, true));
    let isLeft = false;
    asked.answer.then(
      (answer) => tell(answer, false),
      (error: unknown) => {
        if (isLeft) return;
        const failed = error instanceof Error ? error.message : String(error);
        setFound({ of: room, answer: null, isWorking: false, failed });
      },
    );
    return () => {
      isLeft = true;
      asked.cancel();
    };
  }, [room]);
  if (room === null) return null;
  const { of, ...own } = found;
  return of === room ? { room, ...own } : { room, answer: null, isWorking: true, failed: null };
}

const NOTHING = { of: null, answer: null, isWorking: false, failed: null };
