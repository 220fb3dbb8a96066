import type { RunEventInput } from '@saltflat/contract';
import type { RunEventKind, RunEventPayload } from '@saltflat/core/run';
import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';
import { serverNow } from '../../api/serverClock.ts';

export interface OutboxEntry {
  runId: string;
  event: RunEventInput;
}
interface OutboxState {
  waiting: OutboxEntry[];
  /** Events the server would not take, with its sentence. */
  refused: { entry: OutboxEntry; reason: string }[];
  /** Entries on this device that cannot be read; kept aside for whoever may want to look. */
  damaged: number;
}

/** One client per page load: its count never meets that of another tab or of the page before. */
const clientId = crypto.randomUUID();
const PREFIX = 'saltflat.outbox.';
const ASIDE = 'saltflat.outbox-damaged.';
let clientSeq = 0;

/** Makes an event of this client, stamped with the server's time as far as it is known. */
export function makeEvent(
  kind: RunEventKind,
  step: string | null,
  by: string,
  payload: RunEventPayload = {},
): RunEventInput {
  clientSeq++;
  return {
    id: crypto.randomUUID(),
    clientId,
    clientSeq,
    kind,
    step,
    at: new Date(serverNow()).toISOString(),
    deviceAt: new Date().toISOString(),
    by,
    payload,
  };
}

/** What other pages had written when this one began, by key. */
const adopted = new Map<string, string>();

/** Events left behind by pages that closed before they were sent; sending one twice is harmless. What is damaged is put aside. */
function leftBehind(): Pick<OutboxState, 'waiting' | 'damaged'> {
  const waiting: OutboxEntry[] = [];
  let damaged = 0;
  for (const key of Object.keys(localStorage).filter((own) => own.startsWith(PREFIX))) {
    const text = localStorage.getItem(key) ?? '[]';
    const { entries, broken } = readEntries(text);
    waiting.push(...entries);
    damaged += broken;
    if (broken > 0) localStorage.setItem(key.replace(PREFIX, ASIDE), text);
    adopted.set(key, text);
  }
  return { waiting, damaged };
}

/** The entries in a text that can be read, and how many cannot. */
function readEntries(text: string): { entries: OutboxEntry[]; broken: number } {
  try {
    const found: unknown = JSON.parse(text);
    if (!Array.isArray(found)) return { entries: [], broken: 1 };
    const entries = found.filter(isEntry);
    return { entries, broken: found.length - entries.length };
  } catch {
    return { entries: [], broken: 1 };
  }
}

function isEntry(found: unknown): found is OutboxEntry {
  const { runId, event } = (found ?? {}) as {
    runId?: unknown;
    event?: { id?: unknown; kind?: unknown } | null;
  };
  return typeof runId === 'string' && typeof event?.id === 'string' && typeof event.kind === 'string';
}

/** Steps done on the floor that the server has not yet confirmed; kept on this device until it has. */
export const outboxSlice = createSlice({
  name: 'outbox',
  initialState: (): OutboxState => ({ ...leftBehind(), refused: [] }),
  reducers: {
    eventHappened: (state, { payload }: PayloadAction<OutboxEntry>) => {
      state.waiting.push(payload);
    },
    eventsConfirmed: (state, { payload }: PayloadAction<string[]>) => {
      state.waiting = state.waiting.filter(({ event }) => !payload.includes(event.id));
    },
    eventsRefused: (state, { payload }: PayloadAction<{ ids: string[]; reason: string }>) => {
      const isRefused = ({ event }: OutboxEntry): boolean => payload.ids.includes(event.id);
      state.refused.push(
        ...state.waiting.filter(isRefused).map((entry) => ({ entry, reason: payload.reason })),
      );
      state.waiting = state.waiting.filter((entry) => !isRefused(entry));
    },
    refusalsSeen: (state) => {
      state.refused = [];
      state.damaged = 0;
    },
  },
});

/** Writes what waits to this device; a page that closes now loses nothing. */
export function keepOutbox(waiting: readonly OutboxEntry[]): void {
  if (waiting.length === 0) {
    // a page that is still open may have written more since: that is its own to send
    for (const [key, text] of adopted) if (localStorage.getItem(key) === text) localStorage.removeItem(key);
    localStorage.removeItem(PREFIX + clientId);
  } else localStorage.setItem(PREFIX + clientId, JSON.stringify(waiting));
}

export const { eventHappened, eventsConfirmed, eventsRefused, refusalsSeen } = outboxSlice.actions;

type WithOutbox = { outbox: OutboxState };
export const selectWaiting = (state: WithOutbox): OutboxEntry[] => state.outbox.waiting;
export const useOutbox = (): OutboxState => useSelector((state: WithOutbox) => state.outbox);
