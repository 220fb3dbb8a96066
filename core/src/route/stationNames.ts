import type { Station } from './documents.ts';

/** Stations as the room calls them. */
export const STATION_NAMES: Record<Station, string> = {
  preparation: 'Preparation',
  'film-printer': 'Film printer',
  'direct-printer': 'Direct printer',
  powder: 'Powder',
  oven: 'Melting',
  cutting: 'Cutting table',
  sprayer: 'Sprayer',
  rack: 'Rack',
  press: 'Press',
  'cap-press': 'Cap press',
  cooling: 'Cooling table',
  storage: 'Shelf',
  inspection: 'Inspection',
};
