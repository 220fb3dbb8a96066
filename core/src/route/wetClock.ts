/** Drier than this, powder takes only where ink is; damper than the second, it clings to everything, % relative humidity. */
const DAMP_PCT = { from: 60, to: 80 };
/** In the dampest room ink is let stand for so much of the time it stays wet. */
const STANDS_SHARE = 0.5;

/**
 * How long after the last white film is best let stand before it is powdered, s: not at all in a dry room; from 60 % on ever
 * longer, so that less powder is picked up beside the ink, up to half of the window at 80 % and above (practice says minutes
 * in a damp room; the straight line between is an assumption).
 *
 * @param wetS how long the ink holds powder, s
 * @param rhPct `null` where nobody measures it
 */
export function powderOpensS(wetS: number, rhPct: number | null): number {
  if (rhPct === null) return 0;
  const share = (rhPct - DAMP_PCT.from) / (DAMP_PCT.to - DAMP_PCT.from);
  return Math.round(wetS * STANDS_SHARE * Math.min(1, Math.max(0, share)));
}

/** The room that times ink stays wet are given for, °C (assumption). */
const ROOM_C = 22;

/**
 * Until when film is best powdered in a warm room, s after its last white: ink dries as fast as water leaves it, and that
 * goes with the pressure of water’s vapour at its surface. A cooler room is not trusted to keep it wet longer.
 *
 * @param wetS how long the ink holds powder in a room of 22 °C, s
 * @param roomC °C; `null` where nobody measures it
 */
export function powderClosesS(wetS: number, roomC: number | null): number {
  if (roomC === null || roomC <= ROOM_C) return wetS;
  return Math.round((wetS * vapourPressure(ROOM_C)) / vapourPressure(roomC));
}

/** Of water, hPa, between 0 and 50 °C (Magnus, with the constants of Alduchov & Eskridge, J. Appl. Meteorology 35, 1996). */
const vapourPressure = (tempC: number): number => 6.1094 * Math.exp((17.625 * tempC) / (tempC + 243.04));
