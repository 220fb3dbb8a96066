import { formatDuration, formatQuantity } from '../units/index.ts';
import { STATION_NAMES, plannedMode } from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import type { Route, RoutePrint } from './documents.ts';
import { PROCESS_NAMES } from './processNames.ts';

/** One thing that differs between two routes, in words: where, what, before and after. */
export interface RouteDifference {
  /** The operation's title, of the newer route where it is in both. */
  operation: string;
  what: string;
  before: string | null;
  after: string | null;
}

/**
 * What changed from one route of a line to another: steps that came or went, settings, sheets, waits, new warnings.
 * Empty where both ask the floor for the same.
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
  const note = (what: string, p: string | null, q: string | null): void => {
    if (p !== q) found.push({ operation: after.title, what, before: p, after: q });
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
    const label = (q ?? p)?.label ?? key;
    note(label, p ? formatQuantity(p.value, p.kind) : null, q ? formatQuantity(q.value, q.kind) : null);
  }
  note('wait', waitWords(before), waitWords(after));
  return found;
}

const machineName = (operation: Operation): string | null => plannedMode(operation).machine?.name ?? null;

function waitWords({ waitAfter }: Operation): string | null {
  if (waitAfter === null || (waitAfter.minS === 0 && waitAfter.maxS === null)) return null;
  const { minS, maxS } = waitAfter;
  return [
    ...(minS > 0 ? [`at least ${formatDuration(minS)}`] : []),
    ...(maxS !== null ? [`within ${formatDuration(maxS)}`] : []),
  ].join(', ');
}

/** Prints that came or went, and those that are placed or made another way. */
function printDifferences(before: Route, after: Route): RouteDifference[] {
  const words = (print: RoutePrint | undefined): string | null =>
    print ? `${print.placement.label}, ${print.placement.rule}` : null;
  const ids = [...new Set([...before.prints, ...after.prints].map(({ id }) => id))];
  const isOne = ids.length === 1;
  return ids.flatMap((id) => {
    const [p, q] = [before, after].map(({ prints }) => prints.find((own) => own.id === id));
    const operation = isOne ? 'Placement' : `Placement, ${(q ?? p)?.placement.label.toLowerCase() ?? ''}`;
    return [
      ...(words(p) === words(q) ? [] : [{ operation, what: 'rule', before: words(p), after: words(q) }]),
      ...(p && q && p.process !== q.process
        ? [{ operation, what: 'process', before: PROCESS_NAMES[p.process], after: PROCESS_NAMES[q.process] }]
        : []),
    ];
  });
}

function warningDifferences(before: Route, after: Route): RouteDifference[] {
  const texts = ({ conflicts, slips }: Route): string[] => [...conflicts, ...slips].map(({ text }) => text);
  const [former, now] = [texts(before), texts(after)];
  return [
    ...now
      .filter((text) => !former.includes(text))
      .map((text) => ({ operation: 'Warnings', what: 'new', before: null, after: text })),
    ...former
      .filter((text) => !now.includes(text))
      .map((text) => ({ operation: 'Warnings', what: 'settled', before: text, after: null })),
  ];
}
