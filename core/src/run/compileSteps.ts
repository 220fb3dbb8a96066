import { partsIn, unitsOf } from '../work/index.ts';
import { shapeOf } from './lineShape.ts';
import { partId, stepId } from './runPlan.ts';
import type { PartName, RunLine, RunOperation, RunPlan } from './runPlan.ts';

/** A step before anything has happened to it. */
export interface PlannedStep {
  id: string;
  line: string;
  operation: RunOperation;
  parts: PlannedPart[];
}

/** A part with its id, made once for all the steps it is in. */
export interface PlannedPart extends PartName {
  id: string;
}

/**
 * The steps a plan begins with: each operation of each line divided into its sheets, loads or pieces; what is on a shared
 * sheet goes together until it is cut apart. In work order, line by line, shared sheets first.
 */
export function compileSteps(plan: RunPlan): PlannedStep[] {
  const shared = new Set(plan.sheets.flatMap(({ parts }) => parts));
  return [
    ...stepsOfSheets(plan),
    ...plan.lines.flatMap((line) => {
      const made = new Map(line.lanes.map(({ id }) => [id, partsOf(line, id)]));
      return line.operations.flatMap((operation) => {
        const all = made.get(operation.lane) ?? [];
        const isOnSheets = shared.size > 0 && isDoneOnSheet(line, operation);
        const parts = isOnSheets ? all.filter(({ id }) => !shared.has(id)) : all;
        return divided(operation, parts).map((own) => stepOf(line.key, operation, own));
      });
    }),
  ];
}

const stepOf = (line: string, operation: RunOperation, parts: PlannedPart[]): PlannedStep => ({
  id: stepId(operation.id, parts),
  line,
  operation,
  parts,
});

/** All parts of a lane as they are first made. */
const partsOf = ({ key, lanes, pieces }: RunLine, lane: string): PlannedPart[] =>
  Array.from({ length: partsIn(lanes, lane, pieces) }, (_, i) =>
    planned({ line: key, lane, slot: i + 1, attempt: 1 }),
  );

const planned = (name: PartName): PlannedPart => ({ ...name, id: partId(name) });

function divided(operation: RunOperation, parts: readonly PlannedPart[]): PlannedPart[][] {
  let from = 0;
  return unitsOf(operation, parts.length).map((count) => parts.slice(from, (from += count)));
}

/** Up to the cut a sheet is one thing. */
function isDoneOnSheet(line: RunLine, { id, lane }: RunOperation): boolean {
  const chain = shapeOf(line).chains.get(lane) ?? [];
  const cut = chain.findIndex(({ role }) => role === 'cut');
  return chain.findIndex((own) => own.id === id) <= cut;
}

/**
 * The steps of shared sheets, each by the route of the line whose part is named first on it. What is done once for a line,
 * as a printer is readied, is done once for all sheets on that machine.
 */
function stepsOfSheets(plan: RunPlan): PlannedStep[] {
  const onceFor = new Map<string, PlannedStep>();
  const steps: PlannedStep[] = [];
  for (const { parts: ids } of plan.sheets) {
    const names = ids.flatMap((id) => readPart(plan.lines, id));
    const [first] = names;
    const line = plan.lines.find(({ key }) => key === first?.line);
    const chain = (first && line && shapeOf(line).chains.get(first.lane)) ?? [];
    for (const operation of chain) {
      if (!line || !isDoneOnSheet(line, operation)) continue;
      const step = stepOf(line.key, operation, [...names]);
      const once = operation.unit === 'line' ? `${operation.role} ${machineOf(operation)}` : null;
      const before = once === null ? undefined : onceFor.get(once);
      if (before) before.parts.push(...names);
      else steps.push(step);
      if (once !== null && !before) onceFor.set(once, step);
    }
  }
  return steps.map((step) => stepOf(step.line, step.operation, step.parts));
}

const machineOf = ({ modes }: RunOperation): string => modes[0]?.machine?.id ?? '';

function readPart(lines: readonly RunLine[], id: string): PlannedPart[] {
  const [key, lane, slot] = id.split('.');
  const line = lines.find((own) => own.key === key);
  const number = Number(slot);
  return line && lane !== undefined && number >= 1 && number <= partsIn(line.lanes, lane, line.pieces)
    ? [planned({ line: line.key, lane, slot: number, attempt: 1 })]
    : [];
}
