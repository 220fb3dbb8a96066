import type { Store, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { problemMessage, problemOf } from '../../api/problemMessage.ts';
import { sendEvents } from './floorApi.ts';
import { eventsConfirmed, eventsRefused, keepOutbox, selectWaiting } from './outboxSlice.ts';
import type { OutboxEntry } from './outboxSlice.ts';

type State = Parameters<typeof selectWaiting>[0];
type SendingStore = Omit<Store<State>, 'dispatch'> & {
  dispatch: ThunkDispatch<State, unknown, UnknownAction>;
};

const RETRY_MS = 2000;

/** Sends what waits, run by run, in order; keeps what the server does not answer and tries again. */
export function startOutbox(store: SendingStore): void {
  let isSending = false;
  let kept: readonly OutboxEntry[] | null = null;

  const send = async (): Promise<void> => {
    const [first] = selectWaiting(store.getState());
    if (isSending || !first) return;
    isSending = true;
    const events = selectWaiting(store.getState())
      .filter(({ runId }) => runId === first.runId)
      .map(({ event }) => event)
      .slice(0, 200);
    const answer = await store.dispatch(sendEvents.initiate({ runId: first.runId, events }));
    isSending = false;
    const ids = events.map(({ id }) => id);
    if (!answer.error) store.dispatch(eventsConfirmed(ids));
    else if ((problemOf(answer.error)?.status ?? 500) < 500)
      store.dispatch(eventsRefused({ ids, reason: problemMessage(answer.error) }));
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
