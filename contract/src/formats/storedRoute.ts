import type { PieceCost } from '@saltflat/core/cost';
import type { Route } from '@saltflat/core/route';
import { inWorkWords } from './routeOfWork.ts';
import { newestFormat, upgrade } from './upgrade.ts';
import type { FormatChain, Older, Upgrade } from './upgrade.ts';

interface StoredRoute {
  route: Older & { operations: Older[]; conflicts: Older[] };
  cost: Older;
}

/** Writes a step over route and cost together: a version keeps both in one format. */
const step =
  (change: (stored: StoredRoute) => StoredRoute): Upgrade =>
  (older) =>
    change(older as unknown as StoredRoute) as unknown as Older;

/** Format 2 knows placement, machines, work, stacks, ways out, slips, and where spoilage comes from. */
const knowPlacement = step(({ route, cost }) => ({
  route: {
    ...route,
    operations: route.operations.map((operation) => ({
      machine: null,
      machineKind: null,
      work: [],
      stack: [],
      ...operation,
      phases: ((operation.phases ?? []) as Older[]).map((phase) => ({ press: null, ...phase })),
    })),
    placement: { key: 'full-front', label: '', rule: '', sizes: [], platen: null, problems: [], needs: [] },
    restBeforeDispatchS: 0,
    usesBlanks: true,
    conflicts: route.conflicts.map((conflict) => ({ ...conflict, waysOut: [] })),
    slips: [],
  },
  cost: { setUpCents: 0, machineCents: 0, spoilageShare: 0.03, spoilageFrom: 'assumed', ...cost },
}));

/** Format 3 knows loads: until then a machine took the whole batch at once, and its countdown was for all of it. */
const knowLoads = step(({ route, cost }) => ({
  route: {
    ...route,
    operations: route.operations.map((operation) => ({ perLoad: null, timerPieceS: 0, ...operation })),
  },
  cost,
}));

/** Format 4 knows what its operations are: their roles, the parts they work on, and how their time is spent. */
const knowWork = step(({ route, cost }) => ({
  route: inWorkWords(route) as StoredRoute['route'],
  cost,
}));

/** Format 5 knows several prints, and spare transfers: until then a line had one, and all that was done but handling the blank was for it. */
const knowPrints = step(({ route: { process, placement, ...route }, cost }) => ({
  route: {
    ...route,
    prints: [{ id: '1', process, placement, heatedAgain: [] }],
    lanes: (route.lanes as Older[]).map((lane) => ({ spares: 0, ...lane })),
    operations: route.operations.map((operation) => ({
      print: SHARED.has(operation.role) ? null : '1',
      ...operation,
    })),
  },
  cost,
}));

/** Format 6 says things as codes: what was written until then stays as it was written. */
const sayInCodes = step(({ route: { prints, slips, ...route }, cost }) => ({
  route: {
    ...route,
    prints: (prints as (Older & { placement: Older })[]).map(({ placement, ...print }) => ({
      ...print,
      sources: [],
      placement: {
        ...placement,
        rule: written(placement.rule),
        problems: allWritten(placement.problems),
        needs: (placement.needs as Older[]).map(({ text, ...need }) => ({ ...need, said: written(text) })),
      },
    })),
    operations: route.operations.map((operation) => ({
      ...operation,
      settings: (operation.settings as Older[]).map((setting) => ({
        ...setting,
        reasons: saidOnce(setting.reasons),
        limits: saidOnce(setting.limits),
        conflicts: allWritten(setting.conflicts),
      })),
      checks: allWritten(operation.checks),
      look: written(operation.look),
      cautions: allWritten(operation.cautions),
      waitAfter: operation.waitAfter && {
        ...(operation.waitAfter as Older),
        why: written((operation.waitAfter as Older).why),
      },
    })),
    conflicts: saidOnce(route.conflicts).map(({ waysOut, ...conflict }) => ({
      ...conflict,
      waysOut: allWritten(waysOut),
    })),
    slips: saidOnce(slips),
  },
  cost,
}));

/** Format 7 knows what could be done about what is in a placement's way, and what warming up takes. */
const knowWarmUps = step(({ route: { prints, ...route }, cost }) => ({
  route: {
    ...route,
    prints: (prints as (Older & { placement: Older })[]).map(({ placement, ...print }) => ({
      ...print,
      placement: {
        ...placement,
        problems: (placement.problems as unknown[]).map((said) => ({ said, waysOut: [] })),
      },
    })),
    warmUps: [],
  },
  cost: { warmUpCents: 0, ...cost },
}));

const written = (text: unknown): Older => ({ code: 'as-written', params: { text } });
const allWritten = (texts: unknown): Older[] => (texts as unknown[]).map(written);
/** Rows with a text each. */
const saidOnce = (rows: unknown): Older[] =>
  (rows as Older[]).map(({ text, ...row }) => ({ ...row, said: written(text) }));

/** What was done to the piece as a whole. */
const SHARED = new Set<unknown>(['pre-press', 'inspect']);

const CHAIN: FormatChain = {
  name: 'route',
  steps: [knowPlacement, knowLoads, knowWork, knowPrints, sayInCodes, knowWarmUps],
};

/** The format route versions are written in now. */
export const ROUTE_FORMAT = newestFormat(CHAIN);

/**
 * A stored route and its cost, in whatever format they were written, as they are read now. Versions are never
 * rewritten: what an older one does not say is filled in as nothing.
 */
export function readStoredRoute(
  format: number,
  stored: { route: unknown; cost: unknown },
): { route: Route; cost: PieceCost } {
  return upgrade(CHAIN, stored, format) as unknown as { route: Route; cost: PieceCost }; // golden documents of every format are checked against the schemas
}
