import { partsIn } from '../work/index.ts';
import type { Route } from './documents.ts';
import { transfersOf } from './transfersOf.ts';

/** Transfers that a line takes off the shelf for one of its prints. */
export interface ShelfTake {
  print: string;
  /** The kind of transfer, by its record. */
  transfer: { id: string; name: string };
  /** The lane they go. */
  lane: string;
  count: number;
}

/** What a route takes off the shelf, print by print; patches and caps too. */
export const shelfTakes = ({ lanes, prints }: Pick<Route, 'lanes' | 'prints'>, pieces: number): ShelfTake[] =>
  prints.flatMap(({ id: print, sources }) => {
    const transfer = sources.find(({ role }) => role === 'shelf-transfer');
    const lane = lanes.find((own) => own.part === 'transfer' && own.print === print);
    if (!transfer || !lane) return [];
    const { id, name } = transfer;
    return [{ print, transfer: { id, name }, lane: lane.id, count: partsIn(lanes, lane.id, pieces) }];
  });

/** Transfers that a route makes for the shelf, by their print and size, mm: which of the line’s pieces, from 1. */
export function shelfMakes(
  route: Pick<Route, 'lanes' | 'operations' | 'prints'>,
): { print: string; film: { id: string; name: string }; widthMm: number; slots: number[] }[] {
  if (!route.operations.some(({ role }) => role === 'shelve')) return [];
  return transfersOf(route).flatMap(({ print, film, sizes }) =>
    sizes.map(({ widthMm, slots }) => ({ print, film, widthMm, slots })),
  );
}
