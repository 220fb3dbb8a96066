import type { LiveMessage } from '@saltflat/contract';
import type { Dispatch } from '@reduxjs/toolkit';
import { TAGS, baseApi } from './baseApi.ts';
import { connectionChanged, deviceSpoke, printerSpoke, sprayerSpoke } from './liveSlice.ts';
import { noteServerTime } from './serverClock.ts';
import { shareLive } from './sharedLive.ts';

type Tag = (typeof TAGS)[number];

const STALE: Record<string, readonly Tag[]> = {
  order: ['Order', 'Quote'],
  line: ['Order', 'Line', 'Route', 'Quote'],
  run: ['Run', 'Ledger'], // its line and order say themselves when they change
  artwork: ['Line', 'Order'],
  material: ['Catalogue', 'Plan'], // the routes that follow say so themselves; hours of work are of the set-up, too
  change: ['Change'],
  job: ['Job'],
  'press-check': ['PressCheck'],
  'bench-note': ['BenchNote'],
  care: ['Care'],
  'spray-weighing': ['SprayWeighing', 'Catalogue'],
  'film-layout': ['FilmLayout', 'Route', 'Quote'], // its lines' film is known better now
  shelf: ['Shelf', 'Catalogue'], // what is free counts as stock
  'day-plan': ['Plan'],
  everything: TAGS,
};
const GATHER_MS = 120; // one save touches many rows: fetch once for all of them

/** Listens to the server for as long as the page is open. */
export function startLive(dispatch: Dispatch): void {
  const stale = new Set<Tag>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOpen = false;
  let wasLost = false;

  const mark = (tags: readonly Tag[]): void => {
    tags.forEach((tag) => stale.add(tag));
    timer ??= setTimeout(() => {
      timer = undefined;
      dispatch(baseApi.util.invalidateTags([...stale]));
      stale.clear();
    }, GATHER_MS);
  };
  const open = (): void => {
    if (isOpen) return;
    isOpen = true;
    dispatch(connectionChanged('open'));
    if (wasLost) mark(TAGS); // messages were missed meanwhile
  };
  const hear = (message: LiveMessage): void => {
    if (message.kind === 'clock') noteServerTime(message.serverAt);
    else if (message.kind === 'device') dispatch(deviceSpoke(message.device));
    else if (message.kind === 'printer') dispatch(printerSpoke(message.printer));
    else if (message.kind === 'sprayer') dispatch(sprayerSpoke(message.sprayer));
    else mark(STALE[message.noun] ?? []);
  };
  shareLive((news) => {
    if (news.kind === 'lost') {
      isOpen = false;
      wasLost = true;
      dispatch(connectionChanged('lost'));
    } else {
      open();
      if (news.kind === 'message') hear(JSON.parse(news.text) as LiveMessage); // from our own server
    }
  });
}
