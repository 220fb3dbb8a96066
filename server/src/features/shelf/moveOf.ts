import { DomainError } from '@saltflat/contract';
import type { ShelfLine, ShelfMoveInput, ShelfPacket } from '@saltflat/contract';
import type { PacketStanding } from '@saltflat/core/shelf';

/** What a move does to a packet’s count and to what is promised of it. */
export interface Effect {
  change: number;
  hold: number;
}

interface Known {
  /** Lines that the packet’s transfers would do for. */
  lines: readonly ShelfLine[];
  rights: ShelfPacket['rights'];
}

/** @throws DomainError with what cannot be done with a packet, and what can */
export function moveOf(standing: PacketStanding, move: ShelfMoveInput, known: Known): Effect {
  const { pieces, kind } = move;
  if (kind !== 'counted' && pieces === 0) refuse('/pieces', 'Transfers: say how many, 1 at least.');
  switch (kind) {
    case 'counted':
      return counted(standing, pieces);
    case 'reserved':
      return reserved(standing, move, known);
    case 'freed':
      return freed(standing, move);
    case 'sold':
      return sold(standing, pieces, known);
    case 'thrown':
      if (pieces > standing.left) refuse('/pieces', `Transfers: ${standing.left} lie there, not ${pieces}.`);
      return { change: -pieces, hold: 0 };
  }
}

function counted({ left }: PacketStanding, pieces: number): Effect {
  if (pieces === left)
    refuse('/pieces', `Transfers: ${pieces} are counted there already; nothing is to be changed.`);
  return { change: pieces - left, hold: 0 };
}

function reserved({ free }: PacketStanding, { pieces, lineId }: ShelfMoveInput, { lines }: Known): Effect {
  const line = lines.find((own) => own.lineId === lineId);
  if (!line)
    refuse('/lineId', 'Line: choose one that is not on the floor yet and has this artwork at this size.');
  if (pieces > free) refuse('/pieces', `Transfers: ${Math.max(0, free)} are free, not ${pieces}.`);
  return { change: 0, hold: pieces };
}

function freed({ reserved: kept }: PacketStanding, { pieces, lineId }: ShelfMoveInput): Effect {
  const own = kept.find((line) => line.lineId === lineId)?.pieces ?? 0;
  if (own === 0) refuse('/lineId', 'Line: nothing of this packet is kept for it.');
  if (pieces > own) refuse('/pieces', `Transfers: ${own} are kept for this line, not ${pieces}.`);
  return { change: 0, hold: -pieces };
}

function sold({ free }: PacketStanding, pieces: number, { rights }: Known): Effect {
  if (rights === 'refused')
    throw new DomainError(
      'not-now',
      'This artwork is not to be sold as a transfer: so it was said under Artwork. Ask whose image it is, and write the answer there.',
    );
  if (pieces > free) refuse('/pieces', `Transfers: ${Math.max(0, free)} are free to be sold, not ${pieces}.`);
  return { change: -pieces, hold: 0 };
}

function refuse(path: string, message: string): never {
  throw new DomainError('invalid-input', message, { fields: [{ path, message }] });
}
