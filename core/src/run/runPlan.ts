import type { WeighIn } from './weighIn.ts';

/** What the floor needs of one operation of a route. */
export interface RunOperation {
  id: string;
  station: string;
  per: 'batch' | 'piece';
  /** Pieces its machine takes at once; a batch of more is done load by load. `null`: all together. */
  perLoad: number | null;
  /** Countdown of one piece, batch or load, s, and what each piece in it adds. */
  timerS: number;
  timerPieceS: number;
  waitAfter: { minS: number; maxS: number | null } | null;
  weighIn: WeighIn | null;
  isInspection: boolean;
}

/** A route made ready for a number of pieces. The last operation of each piece is its inspection. */
export interface RunPlan {
  operations: readonly RunOperation[];
  pieces: number;
}

/**
 * Names one step of a run: round 1 makes the line, later rounds make its reprints; piece 0 stands for the whole batch,
 * of which a later load says so.
 */
export const stepId = (round: number, operation: string, piece: number, load = 1): string =>
  `${round}/${operation}/${piece}${load > 1 ? `.${load}` : ''}`;

/** Seconds a step counts down for what is in it; 0 when nothing is timed. */
export const countdownS = (
  { timerS, timerPieceS }: Pick<RunOperation, 'timerS' | 'timerPieceS'>,
  { pieces }: { pieces: number },
): number => Math.round(timerS + timerPieceS * pieces);
