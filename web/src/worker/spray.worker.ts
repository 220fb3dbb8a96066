import { SprayPractice, compareDrying, planPattern, simulateDeposit, sprayRow } from '@saltflat/core/spray';
import type { Deposit, DepositProblem, DryWays, PathPoint, WetCloth } from '@saltflat/core/spray';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import { serveHere } from './serveHere.ts';

/** A map as the page shows it, with what it is judged by. */
export interface ShownDeposit extends Omit<Deposit, 'gm2' | 'ground'> {
  cols: number;
  rows: number;
  /** g/m², row by row. */
  gm2: Float32Array;
}

const shown = ({ ground, gm2, ...figures }: Deposit): ShownDeposit => ({
  ...figures,
  cols: ground.grid.cols,
  rows: ground.grid.rows,
  gm2: Float32Array.from(gm2),
});
const moved = (answer: ShownDeposit | null): readonly object[] =>
  answer === null ? [] : [answer.gm2.buffer];

/** What a hand did since it was asked last; the points before `from` are known here. */
export interface PracticeQuestion {
  session: string;
  problem: Omit<DepositProblem, 'path'>;
  from: number;
  points: readonly PathPoint[];
}

let practising: { session: string; practice: SprayPractice; known: number } | null = null;

/** @returns `null` where what was before is not known here any more: then it has to be told from the beginning */
function practise({ session, problem, from, points }: PracticeQuestion): ShownDeposit | null {
  if (practising?.session !== session || from === 0)
    practising = from === 0 ? { session, practice: new SprayPractice(problem), known: 0 } : null;
  if (practising?.known !== from) return null;
  for (const point of points) practising.practice.move(point);
  practising.known += points.length;
  return shown(practising.practice.judged());
}

const TASKS = {
  plan: atOnce(planPattern),
  row: atOnce(sprayRow),
  dry: atOnce(({ cloth, ways }: { cloth: WetCloth; ways: DryWays }) => compareDrying(cloth, ways)),
  deposit: atOnce((problem: DepositProblem) => shown(simulateDeposit(problem)), moved),
  practise: atOnce(practise, moved),
} satisfies Tasks;
export type SprayTasks = typeof TASKS;

serveHere(TASKS);
