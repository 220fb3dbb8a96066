import { DomainError } from '@saltflat/contract';
import type { ShelfLine, ShelfMoveInput, ShelfPacket } from '@saltflat/contract';
import { takeOldest } from '@saltflat/core/shelf';
import type { PacketStanding, StandingPacket } from '@saltflat/core/shelf';

/** What a move does to a packet’s count and to what is promised of it. */
interface Effect {
  packetId: string;
  change: number;
  hold: number;
}

interface Known {
  /** Lines that the packet’s transfers would do for. */
  lines: readonly Pick<ShelfLine, 'lineId'>[];
  rights: ShelfPacket['rights'];
  /** All packets of its kind. */
  ofKind: readonly StandingPacket[];
}

/**
 * What a move does, packet by packet: what is kept for a line comes out of the oldest of the kind, all else happens to
 * the packet that it was said of.
 *
 * @throws DomainError with what cannot be done with it, and what can
 */
export function movesOf(
  packet: { id: string; standing: PacketStanding },
  move: ShelfMoveInput,
  known: Known,
): Effect[] {
  if (move.kind === 'reserved') return reserved(move, known);
  return [{ packetId: packet.id, ...ownMove(packet.standing, move.kind, move, known) }];
}

type OwnEffect = Omit<Effect, 'packetId'>;

function ownMove(
  standing: PacketStanding,
  kind: Exclude<ShelfMoveInput['kind'], 'reserved'>,
  move: ShelfMoveInput,
  known: Known,
): OwnEffect {
  const { pieces } = move;
  if (kind !== 'counted' && pieces === 0) refuseNone();
  switch (kind) {
    case 'counted':
      return counted(standing, pieces);
    case 'freed':
      return freed(standing, move);
    case 'sold':
      return sold(standing, pieces, known);
    case 'thrown':
      if (pieces > standing.left) refuse('/pieces', `Transfers: ${standing.left} lie there, not ${pieces}.`);
      return { change: -pieces, hold: 0 };
  }
}

function counted({ left }: PacketStanding, pieces: number): OwnEffect {
  if (pieces === left)
    refuse('/pieces', `Transfers: ${pieces} are counted there already; nothing is to be changed.`);
  return { change: pieces - left, hold: 0 };
}

function reserved({ pieces, lineId }: ShelfMoveInput, { lines, ofKind }: Known): Effect[] {
  if (pieces === 0) refuseNone();
  if (lineId === null || !lines.some((own) => own.lineId === lineId))
    refuse('/lineId', 'Line: choose one that is not on the floor yet and has this artwork at this size.');
  const { from, missing } = takeOldest(
    ofKind.map((own) => ({ ...own, reserved: [] })),
    pieces,
    lineId,
  );
  if (missing > 0) refuse('/pieces', `Transfers: ${pieces - missing} are free, not ${pieces}.`);
  return from.map((own) => ({ packetId: own.id, change: 0, hold: own.pieces }));
}

function freed({ reserved: kept }: PacketStanding, { pieces, lineId }: ShelfMoveInput): OwnEffect {
  const own = kept.find((line) => line.lineId === lineId)?.pieces ?? 0;
  if (own === 0) refuse('/lineId', 'Line: nothing of this packet is kept for it.');
  if (pieces > own) refuse('/pieces', `Transfers: ${own} are kept for this line, not ${pieces}.`);
  return { change: 0, hold: -pieces };
}

function sold({ free }: PacketStanding, pieces: number, { rights }: Known): OwnEffect {
  if (rights === 'refused')
    throw new DomainError(
      'not-now',
      'This artwork is not to be sold as a transfer: so it was said under Artwork. Ask whose image it is, and write the answer there.',
    );
  if (pieces > free) refuse('/pieces', `Transfers: ${Math.max(0, free)} are free to be sold, not ${pieces}.`);
  return { change: -pieces, hold: 0 };
}

const refuseNone = (): never => refuse('/pieces', 'Transfers: say how many, 1 at least.');

function refuse(path: string, message: string): never {
  throw new DomainError('invalid-input', message, { fields: [{ path, message }] });
}
