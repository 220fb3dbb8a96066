import type { RunEventInput } from '@saltflat/contract';
import type { Store, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { problemMessage, problemOf } from '../../api/problemMessage.ts';
import { sendEvents } from './floorApi.ts';
import { eventsConfirmed, eventsRefused, keepOutbox, selectWaiting } from './outboxSlice.ts';
import type { OutboxEntry } from './outboxSlice.ts';

type State = Parameters<typeof selectWaiting>[0];
type SendingStore = Omit<Store<State>, 'dispatch'> & {
  dispatch: ThunkDispatch<State, unknown, UnknownAction>;
};

/** Sends events of one run, and tells what the server would not take. */
export type SendEvents = (runId: string, events: RunEventInput[]) => Promise<{ error?: unknown }>;

const RETRY_MS = 2000;
const LONGEST_RETRY_MS = 30_000;
const MOST = 200; // events in one message

/** How the sending of one run's events stands: runs do not wait for each other. */
interface Lane {
  isSending: boolean;
  /** Waits before it tries again. */
  isResting: boolean;
  /** Events in the next message: one by one after a refusal, so that one bad event takes no good one with it. */
  most: number;
  /** Failures in a row. */
  failures: number;
}

/**
 * Sends what waits, each run's events in order and apart from other runs': one that the server fails on holds up nobody
 * else. What the server does not answer is kept and tried again, less and less often.
 */
export function startOutbox(
  store: SendingStore,
  sendOut: SendEvents = (runId, events) => store.dispatch(sendEvents.initiate({ runId, events })),
): void {
  const lanes = new Map<string, Lane>();
  let kept: readonly OutboxEntry[] | null = null;

  const laneOf = (runId: string): Lane => {
    const lane = lanes.get(runId) ?? { isSending: false, isResting: false, most: MOST, failures: 0 };
    lanes.set(runId, lane);
    return lane;
  };
  const send = async (runId: string): Promise<void> => {
    const lane = laneOf(runId);
    const events = selectWaiting(store.getState())
      .filter((entry) => entry.runId === runId)
      .map(({ event }) => event)
      .slice(0, lane.most);
    if (lane.isSending || lane.isResting || events.length === 0) return;
    lane.isSending = true;
    const { error } = await sendOut(runId, events);
    lane.isSending = false;
    take(runId, lane, events, error);
  };
  const take = (runId: string, lane: Lane, events: readonly RunEventInput[], error: unknown): void => {
    const ids = events.map(({ id }) => id);
    const isRefused = Boolean(error) && (problemOf(error)?.status ?? 500) < 500;
    lane.failures = error && !isRefused ? lane.failures + 1 : 0;
    if (!error) {
      lane.most = MOST;
      store.dispatch(eventsConfirmed(ids));
    } else if (isRefused && ids.length > 1) {
      lane.most = 1;
      void send(runId);
    } else if (isRefused) store.dispatch(eventsRefused({ ids, reason: problemMessage(error) }));
    else {
      const waitMs = Math.min(LONGEST_RETRY_MS, RETRY_MS * 2 ** Math.min(lane.failures - 1, 4));
      lane.isResting = true; // what happens meanwhile goes with it
      setTimeout(() => {
        lane.isResting = false;
        void send(runId);
      }, waitMs);
    }
  };
  const onChange = (): void => {
    const waiting = selectWaiting(store.getState());
    if (waiting === kept) return;
    kept = waiting;
    keepOutbox(waiting);
    for (const runId of new Set(waiting.map((entry) => entry.runId))) void send(runId);
  };
  store.subscribe(onChange);
  onChange();
}
