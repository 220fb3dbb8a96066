/** Inks of a direct or film printer as its test pattern shows them, white first since it settles. */
export const NOZZLE_CHANNELS = ['white', 'cyan', 'magenta', 'yellow', 'black'] as const;
export type NozzleChannel = (typeof NOZZLE_CHANNELS)[number];

/** Marks in a channel's row of the pattern: one for each nozzle (a made-up head; real ones have more). */
export const NOZZLES_EACH = 60;

/** Nozzles that left no mark, from 1, by channel; a channel that is not named misses none. */
export type MissingNozzles = Partial<Record<NozzleChannel, readonly number[]>>;

export interface NozzleVerdict {
  count: number;
  /** Two side by side: a line in the print that the next pass does not close. */
  hasNeighbours: boolean;
  /** Print, print and look, or clean first. */
  advice: 'print' | 'look' | 'clean';
}

const MOST_TO_PRINT = 2; // single nozzles that the passes beside them close (trade range)

/** What a pattern says: a few single nozzles are closed by other passes, neighbours and many are not. */
export function judgeNozzles(missing: MissingNozzles): NozzleVerdict {
  const rows = NOZZLE_CHANNELS.map((channel) => [...(missing[channel] ?? [])].sort((p, q) => p - q));
  const count = rows.reduce((sum, row) => sum + row.length, 0);
  const hasNeighbours = rows.some((row) => row.some((nozzle, i) => i > 0 && nozzle === row[i - 1] + 1));
  const advice = count === 0 ? 'print' : hasNeighbours || count > MOST_TO_PRINT ? 'clean' : 'look';
  return { count, hasNeighbours, advice };
}

/** Nozzles that were missing in each of the last so many patterns: cleaning does not bring them back. */
export function stubbornNozzles(patterns: readonly MissingNozzles[], least = 3): MissingNozzles {
  const last = patterns.slice(0, least);
  if (last.length < least) return {};
  const always: Partial<Record<NozzleChannel, number[]>> = {};
  for (const channel of NOZZLE_CHANNELS) {
    const own = (last[0][channel] ?? []).filter((nozzle) =>
      last.every((pattern) => pattern[channel]?.includes(nozzle)),
    );
    if (own.length > 0) always[channel] = own;
  }
  return always;
}
