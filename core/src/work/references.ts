/** A thing of the set-up, by its id, beside the name people read. */
export interface Ref {
  /** `null` in documents from before ids were kept: then the name is all that is known. */
  id: string | null;
  name: string;
}

/** Kinds of machine work can be done on. */
export const MACHINE_KINDS = [
  'printer',
  'sprayer',
  'press',
  'cap-press',
  'hand-iron',
  'oven',
  'griddle',
  'belt',
  'rack',
  'cooling-table',
] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** Where in the room work is done. */
export const STATIONS = [
  'preparation',
  'film-printer',
  'direct-printer',
  'powder',
  'oven',
  'cutting',
  'sprayer',
  'rack',
  'press',
  'cap-press',
  'cooling',
  'storage',
  'inspection',
] as const;
export type Station = (typeof STATIONS)[number];

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
