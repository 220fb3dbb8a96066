import type { PartState, RunState } from './runState.ts';
import { shapeOf } from './lineShape.ts';
import { partId, stepId } from './runPlan.ts';
import type { RunLine } from './runPlan.ts';

/** "2/press/7" or "1/film/0.2": round, operation, piece (0 for a batch) and load, as steps were named before. */
const FORMER = /^(\d+)\/([a-z0-9-]+)\/(\d+)(?:\.(\d+))?$/;

const NINE = '9'.charCodeAt(0);

/**
 * The name today of a step that was named by round and piece: rounds were what attempts are now, and a piece made again
 * had the next free number.
 *
 * @returns the text itself where it is no such name
 */
export function nameOfFormer(text: string, line: RunLine, { parts }: Pick<RunState, 'parts'>): string {
  if (text.charCodeAt(0) > NINE) return text; // as nearly all are
  const found = FORMER.exec(text);
  if (!found) return text;
  const [, round, id, piece, load] = found;
  const { byId, root } = shapeOf(line);
  const operation = byId.get(id);
  if (!operation) return text;
  const numberOf = ({ line: key, slot, attempt }: PartState): number =>
    parts[partId({ line: key, lane: root, slot, attempt })]?.number ?? 0;
  const made = Object.values(parts)
    .filter(({ lane, attempt }) => lane === operation.lane && attempt === Number(round))
    .sort((p, q) => numberOf(p) - numberOf(q));
  const own =
    piece === '0'
      ? loadOf(made, operation.size, Number(load ?? 1))
      : made.filter((part) => numberOf(part) === Number(piece));
  return own.length === 0 ? text : stepId(id, own);
}

const loadOf = (made: PartState[], size: number | null, load: number): PartState[] =>
  size === null ? (load === 1 ? made : []) : made.slice((load - 1) * size, load * size);
