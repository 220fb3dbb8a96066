import type { WeighIn } from './weighIn.ts';

/** What the floor needs of one operation of a route. */
export interface RunOperation {
  id: string;
  station: string;
  per: 'batch' | 'piece';
  timerS: number;
  waitAfter: { minS: number; maxS: number | null } | null;
  weighIn: WeighIn | null;
  isInspection: boolean;
}

/** A route made ready for a number of pieces. The last operation of each piece is its inspection. */
export interface RunPlan {
  operations: readonly RunOperation[];
  pieces: number;
}

/** Names one step of a run: round 1 makes the line, later rounds make its reprints; piece 0 stands for the whole batch. */
export const stepId = (round: number, operation: string, piece: number): string =>
  `${round}/${operation}/${piece}`;
