import { servingKey } from './runState.ts';
import type { PartState, RunState } from './runState.ts';

/** Which part is for which piece, and which are spare: kept while events are applied. */
export class Serving {
  /** The same as the state says, by line, lane and piece: asked for every part of every step. */
  private readonly pieces = new Map<string, Map<string, PartState[]>>();
  /** How often a part was made under each name, where it was more than once. */
  private readonly attempts = new Map<string, number>();
  /** Parts of each lane that were made for no piece, or whose piece is not made. */
  private readonly spares = new Map<string, PartState[]>();
  private readonly said: RunState['serving'];

  /** @param said where the state says which part is for a piece */
  constructor(said: RunState['serving']) {
    this.said = said;
  }

  /** @param piece it is made for; 0 for a spare */
  add(part: PartState, piece: number): void {
    if (part.attempt > 1) this.attempts.set(servingKey(part.line, part.lane, part.slot), part.attempt);
    if (piece > 0) this.assign(part, piece);
    else this.release(part);
  }

  /** From now on a part is the one for a piece. */
  assign(part: PartState, piece: number): void {
    part.piece = piece;
    const own = this.piecesOf(part.line, part.lane);
    own[piece] = part;
    if (piece !== part.slot || part.attempt > 1) this.said[servingKey(part.line, part.lane, piece)] = part.id;
  }

  /** From now on a part is for no piece. */
  release(part: PartState): void {
    part.piece = 0;
    const key = servingKey(part.line, part.lane, 0);
    const own = this.spares.get(key);
    if (own) own.push(part);
    else this.spares.set(key, [part]);
  }

  private piecesOf(line: string, lane: string): PartState[] {
    let lanes = this.pieces.get(line);
    if (!lanes) this.pieces.set(line, (lanes = new Map<string, PartState[]>()));
    let own = lanes.get(lane);
    if (!own) lanes.set(lane, (own = []));
    return own;
  }

  current({ line, piece }: Pick<PartState, 'line' | 'piece'>, lane: string): PartState | null {
    return this.pieces.get(line)?.get(lane)?.[piece] ?? null;
  }

  /** The spare that has come furthest, for one of its lane that is lost. */
  spareFor({ line, lane }: PartState): PartState | undefined {
    return (this.spares.get(servingKey(line, lane, 0)) ?? [])
      .filter((own) => own.piece === 0 && !own.isLost)
      .reduce<PartState | undefined>((best, own) => (best && best.done >= own.done ? best : own), undefined);
  }

  /** How many were made under a name, the first included. */
  madeFor(line: string, lane: string, slot: number): number {
    return this.attempts.get(servingKey(line, lane, slot)) ?? 1;
  }
}
