import type { Genes } from './genes.ts';
import type { Problem } from './problem.ts';
import type { OrderKeys } from './starts.ts';
import type { Places } from './timetable.ts';

/** What moves are chosen by. */
export interface Ground {
  problem: Problem;
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
  [
    25,
    (keys, { problem, random }) => (keys.offsets[anyOf(problem.due.length, random)] += signed(random)),
  ],
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
  [5, (keys, { random }) => (keys.ahead = Math.max(0.001, keys.ahead * Math.exp(1.4 * (random() - 0.5))))],
];

/** Changes the sequence of orders a little. */
export const moveOrders = (keys: OrderKeys, ground: Ground): void =>
  choose(ORDER_MOVES, ground.random)(keys, ground);

type OpMove = (genes: Genes, ground: Ground) => void;

const shiftOrder = ({ keys }: Genes, { problem }: Ground, order: number, minutes: number): void => {
  for (const op of problem.opsOf[order]) keys[op] += minutes;
};

const shiftOp: OpMove = ({ keys }, { problem, random }) => {
  const op = anyOf(problem.n, random);
  const minutes = signed(random);
  const moved = new Set([op]);
  if (random() < 0.5)
    for (const own of moved) for (const { to } of problem.lagsOut[own]) moved.add(to); // grows while it is walked
  for (const own of moved) keys[own] += minutes;
};

/** Operations on one machine, those before a start and after another left out. */
function together({ problem: { n, machineOf }, places }: Ground, op: number, within = Infinity): number[] {
  const machine = machineOf[places.mode[op]];
  const list: number[] = [];
  if (machine < 0) return list;
  for (let i = 0; i < n; i++)
    if (i !== op && machineOf[places.mode[i]] === machine && Math.abs(places.start[i] - places.start[op]) <= within)
      list.push(i);
  return list;
}

const besideAnother: OpMove = ({ keys }, ground) => {
  const op = anyOf(ground.problem.n, ground.random);
  const others = together(ground, op);
  if (others.length > 0) keys[op] = keys[pick(others, ground.random)] + (ground.random() < 0.5 ? -0.5 : 0.5);
};

const gatherState: OpMove = ({ keys }, ground) => {
  const { problem, random, places } = ground;
  const op = anyOf(problem.n, random);
  const state = problem.stateOf[places.mode[op]];
  for (const other of together(ground, op, 4 * stepMin(random)))
    if (problem.stateOf[places.mode[other]] === state)
      keys[other] = keys[op] + 1e-3 * (places.start[other] - places.start[op]);
};

const changeMode: OpMove = ({ modes }, { problem, random, places }) => {
  const { modeFrom, n, ordersOf, machineOf } = problem;
  const choices = (op: number): number => modeFrom[op + 1] - modeFrom[op];
  const start = anyOf(n, random);
  for (let k = 0; k < n; k++) {
    const op = (start + k) % n;
    if (choices(op) === 1) continue;
    const mode = anyOf(choices(op) + 1, random) - 1;
    const order = ordersOf[op][0];
    const alike =
      random() < 0.5 || order === undefined
        ? [op]
        : problem.opsOf[order].filter(
            (own) =>
              choices(own) === choices(op) && machineOf[places.mode[own]] === machineOf[places.mode[op]],
          );
    for (const own of alike) modes[own] = mode;
    return;
  }
};

/** Where nothing is chosen but by what ends first, a stretch of time is dealt anew. */
const shuffleStretch: OpMove = ({ keys }, { problem, random, places }) => {
  const from = places.start[anyOf(problem.n, random)];
  const to = from + stepMin(random);
  const inside: number[] = [];
  for (let i = 0; i < problem.n; i++) if (places.start[i] >= from && places.start[i] <= to) inside.push(i);
  const dealt = inside.map((op) => keys[op]);
  for (const [k, op] of inside.entries()) {
    const other = k + anyOf(dealt.length - k, random);
    [dealt[k], dealt[other]] = [dealt[other], dealt[k]];
    keys[op] = dealt[k];
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
  [18, shiftOp],
  [14, besideAnother],
  [10, gatherState],
  [10, changeMode],
  [8, shuffleStretch],
  [2, flipSetup],
];

/** Changes the turn, or the way, of an operation or a few. */
export const moveOps = (genes: Genes, ground: Ground): void => choose(OP_MOVES, ground.random)(genes, ground);
