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
const MOST = 200; // events in one message

/**
 * Sends what waits, run by run, in order; keeps what the server does not answer and tries again. A message that is
 * refused is sent again event by event: one bad event takes no good one with it.
 */
export function startOutbox(
  store: SendingStore,
  sendOut: SendEvents = (runId, events) => store.dispatch(sendEvents.initiate({ runId, events })),
): void {
  let isSending = false;
  let most = MOST;
  let kept: readonly OutboxEntry[] | null = null;

  const send = async (): Promise<void> => {
    const [first] = selectWaiting(store.getState());
    if (isSending || !first) return;
    isSending = true;
    const events = selectWaiting(store.getState())
      .filter(({ runId }) => runId === first.runId)
      .map(({ event }) => event)
      .slice(0, most);
    const { error } = await sendOut(first.runId, events);
    isSending = false;
    const ids = events.map(({ id }) => id);
    const isRefused = Boolean(error) && (problemOf(error)?.status ?? 500) < 500;
    if (!error) {
      most = MOST;
      store.dispatch(eventsConfirmed(ids));
    } else if (isRefused && ids.length > 1) {
      most = 1;
      void send();
    } else if (isRefused) store.dispatch(eventsRefused({ ids, reason: problemMessage(error) }));
    else setTimeout(() => void send(), RETRY_MS);
  };
  const onChange = (): void => {
    const waiting = selectWaiting(store.getState());
    if (waiting === kept) return;
    kept = waiting;
    keepOutbox(waiting);
    void send();
  };
  store.subscribe(onChange);
  onChange();
}
