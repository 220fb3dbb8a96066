import { configureStore } from '@reduxjs/toolkit';
import { expect } from 'chai';
import type { SendEvents } from './outboxSender.ts';
import type * as OutboxSlice from './outboxSlice.ts';

type OutboxEntry = OutboxSlice.OutboxEntry;

/** What a page keeps on its device: `Object.keys` lists it, as a browser's does. */
class FakeStorage {
  getItem(key: string): string | null {
    const text: unknown = Reflect.get(this, key);
    return typeof text === 'string' ? text : null;
  }
  setItem(key: string, text: string): void {
    Reflect.set(this, key, text);
  }
  removeItem(key: string): void {
    Reflect.deleteProperty(this, key);
  }
}
const fakeStorage = (own: Record<string, string> = {}): Storage =>
  Object.assign(new FakeStorage(), own) as unknown as Storage; // as much of one as an outbox uses

/** A page with an outbox of its own: the modules are loaded anew, as a browser does for each tab. */
async function openPage(storage: Storage) {
  globalThis.localStorage = storage;
  const fresh = `?page=${Math.random()}`;
  const slice = (await import(`./outboxSlice.ts${fresh}`)) as typeof OutboxSlice;
  const store = configureStore({ reducer: { outbox: slice.outboxSlice.reducer } });
  const happen = (runId: string): OutboxEntry => {
    const entry = { runId, event: slice.makeEvent('step-completed', '1/cut/0', 'Ada') };
    store.dispatch(slice.eventHappened(entry));
    slice.keepOutbox(slice.selectWaiting(store.getState()));
    return entry;
  };
  return { slice, store, happen };
}
const kept = (storage: Storage): OutboxEntry[] =>
  Object.keys(storage).flatMap((key) => JSON.parse(storage.getItem(key) ?? '[]') as OutboxEntry[]);
const until = async (isSo: () => boolean): Promise<void> => {
  for (let tries = 0; tries < 200 && !isSo(); tries++) await new Promise((resolve) => setTimeout(resolve, 2));
  expect(isSo()).to.equal(true);
};

const itsOwn = globalThis.localStorage as Storage | undefined;
const giveBack = (): void => void Object.assign(globalThis, { localStorage: itsOwn });

describe('the outbox of a page', () => {
  after(giveBack);

  it('counts its events up, each with an identity of its own, and keeps what waits on the device', async () => {
    const storage = fakeStorage();
    const { happen } = await openPage(storage);
    const entries = [happen('r1'), happen('r1'), happen('r2')];
    expect(entries.map(({ event }) => event.clientSeq)).to.deep.equal([1, 2, 3]);
    expect(new Set(entries.map(({ event }) => event.id)).size).to.equal(3);
    expect(kept(storage)).to.deep.equal(entries);
  });

  it('takes up what a page left that closed too early, and clears it away once it is sent', async () => {
    const storage = fakeStorage({ 'other.key': 'stays' });
    const closed = await openPage(storage);
    const left = closed.happen('r1');
    const { slice, store } = await openPage(storage);
    expect(slice.selectWaiting(store.getState())).to.deep.equal([left]);
    store.dispatch(slice.eventsConfirmed([left.event.id]));
    slice.keepOutbox(slice.selectWaiting(store.getState()));
    expect(Object.keys(storage)).to.deep.equal(['other.key']);
  });

  it('leaves alone what a page wrote that is still open', async () => {
    const storage = fakeStorage();
    const first = await openPage(storage);
    const early = first.happen('r1');
    const second = await openPage(storage);
    const late = first.happen('r1');
    second.store.dispatch(second.slice.eventsConfirmed([early.event.id]));
    second.slice.keepOutbox(second.slice.selectWaiting(second.store.getState()));
    expect(kept(storage)).to.deep.equal([early, late]);
  });

  it('puts aside what is damaged, goes on with the rest, and says how much it could not read', async () => {
    const storage = fakeStorage();
    const left = (await openPage(storage)).happen('r1');
    const [key] = Object.keys(storage);
    const half = JSON.stringify([left, { runId: 'r2' }, null]);
    storage.setItem(key ?? '', half);
    storage.setItem('saltflat.outbox.torn', '[{"runId": "r3", "ev');
    const { slice, store } = await openPage(storage);
    expect(slice.selectWaiting(store.getState())).to.deep.equal([left]);
    expect(store.getState().outbox.damaged).to.equal(3);
    store.dispatch(slice.eventsConfirmed([left.event.id]));
    slice.keepOutbox(slice.selectWaiting(store.getState()));
    const aside = Object.keys(storage).map((own) => storage.getItem(own));
    expect(aside, 'nothing of it is thrown away').to.have.members([half, '[{"runId": "r3", "ev']);
  });

  it('says what the server would not take, with its reason, and waits for it no longer', async () => {
    const { slice, store, happen } = await openPage(fakeStorage());
    const [good, bad] = [happen('r1'), happen('r1')];
    store.dispatch(slice.eventsRefused({ ids: [bad.event.id], reason: 'No such step.' }));
    expect(store.getState().outbox.waiting).to.deep.equal([good]);
    expect(store.getState().outbox.refused).to.deep.equal([{ entry: bad, reason: 'No such step.' }]);
    store.dispatch(slice.refusalsSeen());
    expect(store.getState().outbox.refused).to.deep.equal([]);
  });
});

describe('sending the outbox', () => {
  after(giveBack);

  const refusal = { status: 400, data: { detail: 'That is no step.', status: 400, code: 'invalid-input' } };
  /** A page whose server answers as told, and what it was sent. */
  async function sending(answer: (runId: string, ids: string[], call: number) => unknown) {
    globalThis.localStorage = fakeStorage();
    const slice = await import('./outboxSlice.ts');
    const { startOutbox } = await import('./outboxSender.ts');
    const store = configureStore({ reducer: { outbox: slice.outboxSlice.reducer } });
    const sent: [runId: string, ids: string[]][] = [];
    const send: SendEvents = async (runId, events) => {
      const ids = events.map(({ id }) => id);
      sent.push([runId, ids]);
      const error = await Promise.resolve(answer(runId, ids, sent.length));
      return error === null ? {} : { error };
    };
    const happen = (runId: string): string => {
      const event = slice.makeEvent('step-completed', '1/cut/0', 'Ada');
      store.dispatch(slice.eventHappened({ runId, event }));
      return event.id;
    };
    return { store, sent, happen, start: () => startOutbox(store, send) };
  }

  it('goes run by run, in order, all that waits in one message', async () => {
    const { store, sent, happen, start } = await sending(() => null);
    const ids = [happen('r1'), happen('r2'), happen('r1')];
    start();
    await until(() => store.getState().outbox.waiting.length === 0);
    expect(sent).to.deep.equal([
      ['r1', [ids[0], ids[2]]],
      ['r2', [ids[1]]],
    ]);
  });

  it('sends what happens meanwhile after what is on its way, never twice at once', async () => {
    let open = (): void => undefined;
    const gate = new Promise<null>((resolve) => (open = () => resolve(null)));
    const { store, sent, happen, start } = await sending((_run, _ids, call) => (call === 1 ? gate : null));
    const first = happen('r1');
    start();
    const second = happen('r1');
    expect(sent).to.deep.equal([['r1', [first]]]);
    open();
    await until(() => store.getState().outbox.waiting.length === 0);
    expect(sent).to.deep.equal([
      ['r1', [first]],
      ['r1', [second]],
    ]);
  });

  it('loses no good step to a bad one that is refused with it', async () => {
    const bad: string[] = [];
    const { store, sent, happen, start } = await sending((_run, ids) =>
      ids.some((id) => bad.includes(id)) ? refusal : null,
    );
    const ids = [happen('r1'), happen('r1'), happen('r1')];
    bad.push(ids[1] ?? '');
    start();
    await until(() => store.getState().outbox.waiting.length === 0);
    const { refused } = store.getState().outbox;
    expect(refused.map(({ entry, reason }) => [entry.event.id, reason])).to.deep.equal([
      [ids[1], 'That is no step.'],
    ]);
    expect(sent.map(([, own]) => own)).to.deep.equal([ids, [ids[0]], [ids[1], ids[2]], [ids[1]], [ids[2]]]);
  });

  it('keeps everything while the server is away, and sends it when it is back', async function () {
    this.timeout(8000);
    const { store, sent, happen, start } = await sending((_run, _ids, call) =>
      call === 1 ? { status: 'FETCH_ERROR', error: 'no network' } : null,
    );
    const id = happen('r1');
    start();
    await until(() => sent.length === 1);
    expect(store.getState().outbox.waiting.map(({ event }) => event.id)).to.deep.equal([id]);
    await new Promise((resolve) => setTimeout(resolve, 2200));
    expect(store.getState().outbox.waiting).to.deep.equal([]);
    expect(sent).to.have.lengthOf(2);
  });
});
