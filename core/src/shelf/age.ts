export const CURES = ['light', 'full'] as const;
/** How far the powder of a transfer is melted: lightly, to be pressed at once, or fused, to be kept. */
export type Cure = (typeof CURES)[number];

/** A transfer whose glue is still grainy is for pressing at once: the next day it has drawn water (assumption). */
export const LIGHT_KEEPS_DAYS = 1;
/** Fused transfers that lie dry, flat and dark (assumption; makers' sheets name three months to a year). */
export const USUAL_KEEPS_DAYS = 180;
/** Share of its time after which a packet ought to be used next (assumption). */
const SOON_SHARE = 0.75;
const DAY_MS = 86_400_000;

export interface PacketAge {
  /** Whole days since it was made, or came. */
  days: number;
  /** ms since 1970. */
  bestBeforeMs: number;
  state: 'fresh' | 'soon' | 'past';
}

/**
 * How old a packet is.
 *
 * @param keepsDays that its sheet says it keeps, > 0; a light cure keeps less, whatever the sheet says
 */
export function ageOf(
  { madeMs, cure, keepsDays }: { madeMs: number; cure: Cure; keepsDays: number },
  nowMs: number,
): PacketAge {
  const keptMs = (cure === 'light' ? Math.min(LIGHT_KEEPS_DAYS, keepsDays) : keepsDays) * DAY_MS;
  const lainMs = Math.max(0, nowMs - madeMs);
  return {
    days: Math.floor(lainMs / DAY_MS),
    bestBeforeMs: madeMs + keptMs,
    state: lainMs > keptMs ? 'past' : lainMs > SOON_SHARE * keptMs ? 'soon' : 'fresh',
  };
}
