import type { Blocks } from './blocks.ts';
import type { Genes } from './genes.ts';
import type { Problem } from './problem.ts';
import type { OrderKeys } from './starts.ts';
import type { Places } from './timetable.ts';

/** What moves are chosen by. */
export interface Ground {
  problem: Problem;
  blocks: Blocks;
  /** Operations that can be done in more than one way. */
  choosable: readonly number[];
  random: () => number;
  /** Where everything lies now. */
  places: Places;
  /** Orders that are late now. */
  late: readonly number[];
}

/** One of several things to do, chosen by its share. */
type Choice<Move> = readonly (readonly [share: number, move: Move])[];

function choose<Move>(choices: Choice<Move>, random: () => number): Move {
  let left = random() * choices.reduce((sum, [share]) => sum + share, 0);
  return (choices.find(([share]) => (left -= share) < 0) ?? choices[0])[1];
}

const pick = <T>(list: ArrayLike<T>, random: () => number): T => list[Math.floor(random() * list.length)];
const anyOf = (count: number, random: () => number): number => Math.floor(random() * count);
/** Minutes from 1 to 400, as many small ones as large. */
const stepMin = (random: () => number): number => Math.exp(random() * Math.log(400));
const signed = (random: () => number): number => (random() < 0.5 ? -1 : 1) * stepMin(random);
const lateOrAny = ({ late, problem, random }: Ground): number =>
  late.length > 0 ? pick(late, random) : anyOf(problem.due.length, random);

type OrderMove = (keys: OrderKeys, ground: Ground) => void;
const ORDER_MOVES: Choice<OrderMove> = [
  [35, (keys, ground) => (keys.offsets[lateOrAny(ground)] -= stepMin(ground.random))],
  [25, (keys, { problem, random }) => (keys.offsets[anyOf(problem.due.length, random)] += signed(random))],
  [
    15,
    ({ offsets }, { problem, random }) => {
      const [p, q] = [anyOf(problem.due.length, random), anyOf(problem.due.length, random)];
      [offsets[p], offsets[q]] = [offsets[q], offsets[p]];
    },
  ],
  [
    20,
    ({ offsets }, ground) => {
      const beside = anyOf(ground.problem.due.length, ground.random);
      offsets[lateOrAny(ground)] = offsets[beside] + (ground.random() < 0.5 ? -1 : 1);
    },
  ],
  [10, (keys, ground) => (keys.thrifty[lateOrAny(ground)] ^= 1)],
  [10, (keys, { problem, random }) => (keys.thrifty[anyOf(problem.due.length, random)] ^= 1)],
  [5, (keys, { random }) => (keys.ahead = Math.max(0.001, keys.ahead * Math.exp(1.4 * (random() - 0.5))))],
];

/** Changes the sequence of orders a little. */
export const moveOrders = (keys: OrderKeys, ground: Ground): void =>
  choose(ORDER_MOVES, ground.random)(keys, ground);

type OpMove = (genes: Genes, ground: Ground) => void;

const shiftOrder = ({ keys }: Genes, { blocks }: Ground, order: number, minutes: number): void => {
  for (const block of blocks.ofOrder[order] ?? []) keys[block] += minutes;
};

/** The turn of an order: the mean of its blocks'. */
function turnOf({ keys }: Genes, { blocks }: Ground, order: number): number {
  const own = blocks.ofOrder[order] ?? []; // work may be for no order
  return own.reduce((sum, block) => sum + keys[block], 0) / Math.max(1, own.length);
}

/** Two orders go towards each other's turn, or past it: who is late gains by whom has time, or is given up. */
const exchangeOrders: OpMove = (genes, ground) => {
  const { problem, random } = ground;
  const [one, other] = [lateOrAny(ground), anyOf(problem.due.length, random)];
  const apart = turnOf(genes, ground, other) - turnOf(genes, ground, one);
  shiftOrder(genes, ground, one, apart * (0.5 + random()));
  shiftOrder(genes, ground, other, -apart * (0.5 + random()));
};

const shiftBlock: OpMove = ({ keys }, { blocks, random }) => {
  const block = anyOf(keys.length, random);
  const minutes = signed(random);
  const moved = new Set([block]);
  if (random() < 0.5) for (const own of moved) for (const next of blocks.next[own]) moved.add(next); // grows as it is walked
  for (const own of moved) keys[own] += minutes;
};

/** Any operation that is not given. */
const anyFree = ({ blocks: { ops }, random }: Ground): number => pick(pick(ops, random), random);

/** Others on the machine of an operation that start so near to it, min. */
function together(
  { problem: { n, machineOf }, blocks: { blockOf }, places }: Ground,
  op: number,
  within = Infinity,
): number[] {
  const machine = machineOf[places.mode[op]];
  const list: number[] = [];
  if (machine < 0) return list;
  for (let i = 0; i < n; i++)
    if (
      i !== op &&
      blockOf[i] >= 0 &&
      machineOf[places.mode[i]] === machine &&
      Math.abs(places.start[i] - places.start[op]) <= within
    )
      list.push(i);
  return list;
}

const besideAnother: OpMove = ({ keys }, ground) => {
  const { blocks, random } = ground;
  const op = anyFree(ground);
  const others = together(ground, op);
  if (others.length > 0)
    keys[blocks.blockOf[op]] = keys[blocks.blockOf[pick(others, random)]] + (random() < 0.5 ? -0.5 : 0.5);
};

const gatherState: OpMove = ({ keys }, ground) => {
  const { problem, blocks, random, places } = ground;
  const op = anyFree(ground);
  const state = problem.stateOf[places.mode[op]];
  const key = keys[blocks.blockOf[op]];
  for (const other of together(ground, op, 4 * stepMin(random)))
    if (problem.stateOf[places.mode[other]] === state)
      keys[blocks.blockOf[other]] = key + 1e-3 * (places.start[other] - places.start[op]);
};

const changeMode: OpMove = ({ modes }, { problem, random, places, choosable }) => {
  if (choosable.length === 0) return;
  const { modeFrom, ordersOf, machineOf } = problem;
  const choices = (op: number): number => modeFrom[op + 1] - modeFrom[op];
  const op = pick(choosable, random);
  const mode = anyOf(choices(op) + 1, random) - 1;
  const order = ordersOf[op][0];
  const alike =
    random() < 0.5 || order === undefined
      ? [op]
      : problem.opsOf[order].filter(
          (own) => choices(own) === choices(op) && machineOf[places.mode[own]] === machineOf[places.mode[op]],
        );
  for (const own of alike) modes[own] = mode;
};

/** Deals the turns of a stretch of time anew. */
const shuffleStretch: OpMove = ({ keys }, { random }) => {
  const from = keys[anyOf(keys.length, random)];
  const to = from + stepMin(random);
  const inside: number[] = [];
  for (let block = 0; block < keys.length; block++)
    if (keys[block] >= from && keys[block] <= to) inside.push(block);
  const dealt = inside.map((block) => keys[block]);
  for (const [k, block] of inside.entries()) {
    const other = k + anyOf(dealt.length - k, random);
    [dealt[k], dealt[other]] = [dealt[other], dealt[k]];
    keys[block] = dealt[k];
  }
};

const flipSetup: OpMove = ({ early }, { problem, random }) => (early[anyOf(problem.n, random)] ^= 1);

const OP_MOVES: Choice<OpMove> = [
  [22, (genes, ground) => shiftOrder(genes, ground, lateOrAny(ground), -stepMin(ground.random))],
  [
    18,
    (genes, ground) =>
      shiftOrder(genes, ground, anyOf(ground.problem.due.length, ground.random), signed(ground.random)),
  ],
  [12, exchangeOrders],
  [18, shiftBlock],
  [14, besideAnother],
  [10, gatherState],
  [10, changeMode],
  [8, shuffleStretch],
  [2, flipSetup],
];

/** Changes the turn, or the way, of an operation or a few. */
export const moveOps = (genes: Genes, ground: Ground): void => choose(OP_MOVES, ground.random)(genes, ground);
