import type { Station } from '@saltflat/core/route';

/** Stations as the room calls them. */
export const STATION_NAMES: Record<Station, string> = {
  'film-printer': 'Film printer',
  'direct-printer': 'Direct printer',
  powder: 'Powder',
  oven: 'Oven',
  cutting: 'Cutting table',
  sprayer: 'Sprayer',
  rack: 'Rack',
  press: 'Press',
  cooling: 'Cooling table',
  inspection: 'Inspection',
};
