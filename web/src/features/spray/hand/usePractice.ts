import type { Gun, PathPoint } from '@saltflat/core/spray';
import { useEffect, useMemo, useRef, useState } from 'react';
import { sprayTasks } from '../../../worker/sprayClient.ts';
import type { ShownDeposit } from '../../../worker/sprayClient.ts';
import { ground } from './handJob.ts';
import type { HandJob } from './handJob.ts';

const STEP_MM = 4;
/** What still flows after the trigger was let go, s. */
const TAIL_S = 0.2;

export interface Practice {
  deposit: ShownDeposit | null;
  /** The pointer at a place of the garment, mm. @param atMs of the event */
  move: (x: number, y: number, isOn: boolean, atMs: number) => void;
  /** The gun turned by a quarter, for bands the other way. */
  isTurned: boolean;
  turn: () => void;
  startAgain: () => void;
}

/** A hand's spray as it grows: what is new since the last answer is sent, and the newest answer shown. */
export function usePractice(gun: Gun, job: HandJob): Practice {
  const problem = useMemo(() => ground(gun, job, STEP_MM), [gun, job]);
  const [deposit, setDeposit] = useState<ShownDeposit | null>(null);
  const [isTurned, setTurned] = useState(false);
  const hand = useRef({
    session: crypto.randomUUID(),
    path: [] as PathPoint[],
    sent: 0,
    isAsking: false,
    sinceMs: 0,
  });
  const startAgain = (): void => {
    hand.current = { session: crypto.randomUUID(), path: [], sent: 0, isAsking: false, sinceMs: 0 };
    setDeposit(null);
  };
  useEffect(startAgain, [problem]);
  const ask = (): void => {
    const own = hand.current;
    if (own.isAsking || own.sent >= own.path.length) return;
    own.isAsking = true;
    const { session, path, sent } = own;
    sprayTasks
      .ask('practise', { session, problem, from: sent, points: path.slice(sent) })
      .answer.then((answer) => {
        if (hand.current !== own) return;
        own.isAsking = false;
        own.sent = answer === null ? 0 : path.length; // forgotten over there: told again from the beginning
        if (answer) setDeposit(answer);
        requestAnimationFrame(ask);
      })
      .catch(() => (own.isAsking = false));
  };
  const put = (x: number, y: number, isOn: boolean, t: number): void => {
    const { path } = hand.current;
    const last = path.at(-1);
    if (last && t <= last.t) return;
    // a new list each time: what was sent is not written to
    hand.current.path = [
      ...path,
      { t, x, y, z: job.distanceMm, on: isOn, rotDeg: isTurned ? 90 : 0, tiltXDeg: 0, tiltYDeg: 0 },
    ];
    ask();
  };
  return {
    deposit,
    move: (x, y, isOn, atMs) => {
      const own = hand.current;
      if (own.path.length === 0 && !isOn) return;
      if (own.path.length === 0) own.sinceMs = atMs;
      const t = (atMs - own.sinceMs) / 1000;
      const wasOn = own.path.at(-1)?.on ?? false;
      put(x, y, isOn, t);
      if (wasOn && !isOn) put(x, y, false, t + TAIL_S);
    },
    isTurned,
    turn: () => setTurned(!isTurned),
    startAgain,
  };
}
