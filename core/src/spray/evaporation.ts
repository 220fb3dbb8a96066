import { SIGMA, evaporationKgM2S, fourthPowerK, naturalHWM2K, vaporisationJKg } from '../conduction/index.ts';

/** Air of a room. */
export interface RoomAir {
  tempC: number;
  /** Relative humidity, 0–0.99. */
  rh: number;
  airMPerS: number;
}

export const USUAL_ROOM: RoomAir = { tempC: 23, rh: 0.5, airMPerS: 0 };

/** A room of which only some is known: the rest as usual. */
export const roomWith = ({
  tempC,
  rh,
  airMPerS,
}: { [K in keyof RoomAir]?: number | null | undefined } = {}): RoomAir => ({
  tempC: tempC ?? USUAL_ROOM.tempC,
  rh: rh ?? USUAL_ROOM.rh,
  airMPerS: airMPerS ?? USUAL_ROOM.airMPerS,
});

const EMISSIVITY = 0.9;
const LEAST_H = 3; // W/m²K: the air of a room is never quite still (trade model, 2–5)
const SIDE_M = 0.3;

/** Natural convection over a level face that looks up, W/m²K, never less than a room's own draughts. */
export const naturalH = (surfaceC: number, roomC: number, sideM = SIDE_M): number =>
  Math.max(LEAST_H, naturalHWM2K(surfaceC - roomC, sideM, 'up'));

/** Convection and radiation into an open face, W/m², without what evaporates. @param convection a factor on the first of the two */
export function openHeat(surfaceC: number, { tempC, airMPerS }: RoomAir, convection = 1): number {
  return (
    convection * (naturalH(surfaceC, tempC) + 6 * Math.sqrt(airMPerS)) * (tempC - surfaceC) +
    EMISSIVITY * SIGMA * (fourthPowerK(tempC) - fourthPowerK(surfaceC))
  );
}

/** Conductance that water leaves an open face by, W/m²K. */
export const evaporationH = ({ airMPerS }: RoomAir): number => 6 + 6 * Math.sqrt(airMPerS);

/**
 * Water that leaves a freshly sprayed garment between spraying and weighing, g/m²s: a wet surface at the temperature where what the
 * room gives it pays for what evaporates. Uncertain by a factor of 1.6 either way.
 */
export function freshLossGM2S(room: RoomAir): number {
  const vapour = (c: number): number =>
    Math.max(0, evaporationKgM2S(c, room.tempC, { hWM2K: evaporationH(room), relativeHumidity: room.rh }, 1));
  let [low, high] = [room.tempC - 40, room.tempC];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (openHeat(middle, room) > vaporisationJKg(middle) * vapour(middle)) low = middle;
    else high = middle;
  }
  return 1000 * vapour((low + high) / 2);
}
