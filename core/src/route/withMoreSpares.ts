import type { Route } from './documents.ts';

/** Transfers that are made beyond those of a route, by the print they are of. */
export type MoreSpares = Readonly<Record<string, number>>;

/** A route whose film carries more transfers of its prints than it was planned with: they are to spare. */
export function withMoreSpares<R extends Pick<Route, 'lanes'>>(route: R, more: MoreSpares): R {
  if (Object.keys(more).length === 0) return route;
  return {
    ...route,
    lanes: route.lanes.map((lane) =>
      lane.part === 'transfer' && lane.print !== null
        ? { ...lane, spares: lane.spares + (more[lane.print] ?? 0) }
        : lane,
    ),
  };
}
