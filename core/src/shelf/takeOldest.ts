import type { PacketStanding } from './standing.ts';

export interface StandingPacket extends Pick<PacketStanding, 'free' | 'reserved'> {
  id: string;
  /** When its transfers were made, or came, ms since 1970. */
  madeMs: number;
}

/** Transfers out of one packet. */
export interface TakenFrom {
  id: string;
  pieces: number;
}

/**
 * Packets that a line's transfers come out of: those kept for it, then the oldest that are free.
 *
 * @param packets of one kind of transfer, in any order
 * @param pieces wanted, ≥ 0
 * @returns `missing`: how many there are not
 */
export function takeOldest(
  packets: readonly StandingPacket[],
  pieces: number,
  lineId: string,
): { from: TakenFrom[]; missing: number } {
  const oldest = [...packets].sort((p, q) => p.madeMs - q.madeMs || (p.id < q.id ? -1 : 1));
  const kept = ({ reserved }: StandingPacket): number =>
    reserved.find((own) => own.lineId === lineId)?.pieces ?? 0;
  const offers = [
    ...oldest.map((own) => ({ id: own.id, pieces: kept(own) })),
    ...oldest.map((own) => ({ id: own.id, pieces: Math.max(0, own.free) })),
  ];
  const from = new Map<string, number>();
  let missing = pieces;
  for (const offer of offers) {
    const taken = Math.min(missing, offer.pieces);
    if (taken > 0) from.set(offer.id, (from.get(offer.id) ?? 0) + taken);
    missing -= taken;
  }
  return { from: [...from].map(([id, count]) => ({ id, pieces: count })), missing };
}
