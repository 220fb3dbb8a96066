/** What came on the shelf together: transfers of one kind, made or bought at one time. */
export interface PacketAccount {
  /** Transfers that were put in it. */
  pieces: number;
  /** What was done with it by hand, in any order. */
  moves: readonly PacketMove[];
  /** What runs take out of it. */
  uses: readonly PacketUse[];
}

export interface PacketMove {
  /** Transfers that came in or went out. */
  change: number;
  /** Transfers promised to a line, or given free again. */
  hold: number;
  lineId: string | null;
}

/** What one print of a line on the floor takes: of these so many are taken already. */
export interface PacketUse {
  lineId: string;
  pieces: number;
  taken: number;
}

export interface PacketStanding {
  /** Transfers that lie in it; less than nothing where more was taken than was counted. */
  left: number;
  /** Of those left, for lines on the floor that have not taken them yet. */
  onFloor: number;
  /** Of those left, kept for lines that are not on the floor yet. */
  reserved: { lineId: string; pieces: number }[];
  /** What nobody has claim to; less than nothing where more is promised than lies there. */
  free: number;
}

/**
 * How a packet stands. A line's reservation is used up by what its run takes: nothing is counted twice.
 *
 * @returns counts of transfers; `left = onFloor + Σ reserved + free`
 */
export function standingOf({ pieces, moves, uses }: PacketAccount): PacketStanding {
  const sum = (counts: readonly number[]): number => counts.reduce((all, own) => all + own, 0);
  const left = pieces + sum(moves.map(({ change }) => change)) - sum(uses.map(({ taken }) => taken));
  const onFloor = sum(uses.map((own) => own.pieces - own.taken));
  const lineIds = [...new Set(moves.flatMap(({ lineId }) => lineId ?? []))];
  const reserved = lineIds.flatMap((lineId) => {
    const promised = sum(moves.filter((own) => own.lineId === lineId).map(({ hold }) => hold));
    const begun = sum(uses.filter((own) => own.lineId === lineId).map((own) => own.pieces));
    return promised > begun ? [{ lineId, pieces: promised - begun }] : [];
  });
  return { left, onFloor, reserved, free: left - onFloor - sum(reserved.map((own) => own.pieces)) };
}
