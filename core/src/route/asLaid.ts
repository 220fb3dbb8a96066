import type { Route } from './documents.ts';

/** Film that one transfer of a print really takes, as it was laid out, m². */
export interface LaidFilm {
  print: string;
  filmM2: number;
}

/** A route with the film its transfers take as they were laid out, in place of what was reckoned for them. */
export function asLaid(route: Route, laid: readonly LaidFilm[]): Route {
  const films = new Set(
    route.prints.flatMap(({ sources }) => sources.flatMap(({ id, role }) => (role === 'film' ? [id] : []))),
  );
  const operations = route.operations.map((operation) => {
    const print = route.lanes.find(({ id }) => id === operation.lane)?.print;
    const own = laid.find((one) => one.print === print);
    if (!own) return operation;
    const consumes = operation.consumes.map((used) =>
      used.kind === 'area' && used.id !== null && films.has(used.id) && used.amount > 0
        ? { ...used, amount: own.filmM2, cents: (used.cents / used.amount) * own.filmM2 }
        : used,
    );
    return { ...operation, consumes };
  });
  return { ...route, operations };
}
