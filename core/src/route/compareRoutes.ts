import type { QuantityKind } from '../units/index.ts';
import { STATION_NAMES, plannedMode } from '../work/index.ts';
import type { Operation, Setting, Wait } from '../work/index.ts';
import { PLACE_NAMES, PROCESS_NAMES, codesIn, say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { Route, RoutePrint } from './documents.ts';

/** What stands on one side of a difference: a figure, a sentence, or a name. */
export type Shown = { value: number; kind: QuantityKind } | Said | string;

/** One thing that differs between two routes: where, what, before and after. */
export interface RouteDifference {
  /** The operation's title, of the newer route where it is in both. */
  operation: string;
  what: string;
  before: Shown | null;
  after: Shown | null;
}

/**
 * What changed from one route of a line to another: steps that came or went, settings, sheets, waits, new warnings.
 * Compared by what is meant: words that were put otherwise are no difference. Empty where both ask the floor for the same.
 */
export function compareRoutes(before: Route, after: Route): RouteDifference[] {
  const gone = before.operations
    .filter(({ id }) => !after.operations.some((own) => own.id === id))
    .map(({ title }) => ({ operation: title, what: 'step', before: 'in', after: 'left out' }));
  const rest = after.operations.flatMap((operation) => {
    const former = before.operations.find(({ id }) => id === operation.id);
    return former
      ? differencesIn(former, operation)
      : [{ operation: operation.title, what: 'step', before: null, after: 'added' }];
  });
  return [...gone, ...rest, ...printDifferences(before, after), ...warningDifferences(before, after)];
}

function differencesIn(before: Operation, after: Operation): RouteDifference[] {
  const found: RouteDifference[] = [];
  const note = (what: string, p: Shown | null, q: Shown | null): void => {
    if (meaning(p) !== meaning(q)) found.push({ operation: after.title, what, before: p, after: q });
  };
  if (before.title !== after.title)
    found.push({
      operation: STATION_NAMES[after.station],
      what: 'step',
      before: before.title,
      after: after.title,
    });
  note('machine', machineName(before), machineName(after));
  note('sheet', before.sheet?.name ?? null, after.sheet?.name ?? null);
  const keys = [...new Set([...before.settings, ...after.settings].map(({ key }) => key))];
  for (const key of keys) {
    const [p, q] = [before, after].map(({ settings }) => settings.find((own) => own.key === key));
    note((q ?? p)?.label ?? key, figure(p), figure(q));
  }
  note('wait', waitSaid(before), waitSaid(after));
  return found;
}

const figure = (setting: Setting | undefined): Shown | null =>
  setting ? { value: setting.value, kind: setting.kind } : null;

/** The same for what means the same. */
const meaning = (shown: unknown): string => JSON.stringify(shown);

const machineName = (operation: Operation): string | null => plannedMode(operation).machine?.name ?? null;

const waitSaid = ({ waitAfter }: Operation): Said | null => {
  if (waitAfter === null || (waitAfter.minS === 0 && waitAfter.maxS === null)) return null;
  const { minS, maxS }: Wait = waitAfter;
  return say('wait.span', { minS, maxS });
};

/** Prints that came or went, and those that are placed or made another way. */
function printDifferences(before: Route, after: Route): RouteDifference[] {
  const ids = [...new Set([...before.prints, ...after.prints].map(({ id }) => id))];
  const isOne = ids.length === 1;
  const rule = (print: RoutePrint | undefined): Said | null =>
    print ? say('place.by-rule', { place: print.placement.key, rule: print.placement.rule }) : null;
  return ids.flatMap((id) => {
    const [p, q] = [before, after].map(({ prints }) => prints.find((own) => own.id === id));
    const key = (q ?? p)?.placement.key;
    const operation =
      isOne || key === undefined ? 'Placement' : `Placement, ${PLACE_NAMES[key].toLowerCase()}`;
    const [ruleP, ruleQ] = [rule(p), rule(q)];
    return [
      ...(meaning(ruleP) === meaning(ruleQ)
        ? []
        : [{ operation, what: 'rule', before: ruleP, after: ruleQ }]),
      ...(p && q && p.process !== q.process
        ? [{ operation, what: 'process', before: PROCESS_NAMES[p.process], after: PROCESS_NAMES[q.process] }]
        : []),
    ];
  });
}

/** A warning is the same where it warns of the same at the same place, whatever figures are in it. */
function warningDifferences(before: Route, after: Route): RouteDifference[] {
  const warnings = ({ conflicts, slips }: Route): { key: string; said: Said }[] =>
    [...conflicts, ...slips].map(({ operation, setting, said }) => ({
      key: [operation, setting, ...codesIn(said)].join(),
      said,
    }));
  const [former, now] = [warnings(before), warnings(after)];
  const not = (there: { key: string }[], { key }: { key: string }): boolean =>
    !there.some((own) => own.key === key);
  return [
    ...now
      .filter((own) => not(former, own))
      .map(({ said }) => ({ operation: 'Warnings', what: 'new', before: null, after: said })),
    ...former
      .filter((own) => not(now, own))
      .map(({ said }) => ({ operation: 'Warnings', what: 'settled', before: said, after: null })),
  ];
}
