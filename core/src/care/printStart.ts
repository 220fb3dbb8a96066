/** What is looked at before the first print: of the printer first, of the line then. */
export const READY_ITEMS = ['agitated', 'nozzles', 'room', 'mock-up', 'layers', 'height'] as const;
export type ReadyItem = (typeof READY_ITEMS)[number];

/** Those that are the printer's: looked at once a shift, and after a pause. */
export const PRINTER_ITEMS = ['agitated', 'nozzles', 'room'] as const satisfies readonly ReadyItem[];

/** Rooms that ink and powder bear (trade ranges). */
export const PRINT_ROOM = { tempC: { min: 18, max: 30 }, humidity: { min: 0.35, max: 0.65 } } as const;

const SHIFT_MS = 12 * 3_600_000;
/** White settles and nozzles dry: after so long a pause both are looked at again (trade range 1–4 h). */
const PAUSE_MS = 2 * 3_600_000;

/** What stands of a printer's last check. */
export type StartStanding = 'never' | 'good' | 'other-shift' | 'after-pause';

/**
 * Whether a printer is to be looked at before it prints.
 *
 * @param checkedMs its newest check, ms since 1970; `null` where there is none
 * @param printedMs when it last printed; `null` where that is not known
 */
export function startStanding(
  checkedMs: number | null,
  printedMs: number | null,
  nowMs: number,
): StartStanding {
  if (checkedMs === null) return 'never';
  if (nowMs - checkedMs > SHIFT_MS) return 'other-shift';
  return nowMs - Math.max(checkedMs, printedMs ?? 0) > PAUSE_MS ? 'after-pause' : 'good';
}

/** True where both are within what a print room bears; what was not measured is not within. */
export const isRoomGood = (roomC: number | null, humidity: number | null): boolean =>
  roomC !== null &&
  humidity !== null &&
  roomC >= PRINT_ROOM.tempC.min &&
  roomC <= PRINT_ROOM.tempC.max &&
  humidity >= PRINT_ROOM.humidity.min &&
  humidity <= PRINT_ROOM.humidity.max;
