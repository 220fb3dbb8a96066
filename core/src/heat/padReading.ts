import { simulate } from '../conduction/index.ts';
import type { FreeSurface } from '../conduction/index.ts';
import { steelBase, solidOf } from './materials.ts';
import { drawParameters, usualParameters } from './parameters.ts';
import type { HeatParameters } from './parameters.ts';

/** How a press's plate is read off a matt pad: closed on it for a while, opened, and read after some seconds. */
export interface PadReading {
  pad: 'sponge-pad' | 'solid-pad';
  /** How long it was closed, s. */
  closedS: number;
  /** From opening to reading, s. */
  lateS: number;
  roomC: number;
}

const PAD_MM = { 'sponge-pad': 9, 'solid-pad': 8 } as const;
const TYPICAL_C = 160;

/** Share of the way from room to plate that a pad's face still has when it is read. */
function shareLeft({ pad, closedS, lateS, roomC }: PadReading, parameters: HeatParameters): number {
  const padC = Math.max(roomC, parameters['pad-start']);
  const open = (facing: 'up' | 'down'): FreeSurface => ({
    roomC,
    emissivity: 0.95,
    lengthM: 0.3,
    facing,
    leastHWM2K: facing === 'up' ? parameters.draught : 2,
    evaporation: null,
  });
  const stack = {
    layers: ['pad', 'base'],
    jointsWM2K: [parameters['contact-base']],
    resistanceM2KW: {},
    bottom: { kind: 'open', ...open('down') } as const,
  };
  const shared = { pressureKPa: 0, boilC: 100, setC: {} };
  const plate = { kind: 'plate', plateC: TYPICAL_C, hWM2K: parameters['contact-plate'] } as const;
  const { probes } = simulate({
    layers: [
      solidOf({ material: pad, dMm: PAD_MM[pad], waterGM2: 0 }, 'pad', padC, parameters),
      steelBase('base', padC - 5),
    ],
    phases: [
      { ...shared, name: 'closed', durationS: closedS, stacks: [{ ...stack, top: plate }] },
      {
        ...shared,
        name: 'open',
        durationS: Math.max(lateS, 0.05),
        stacks: [{ ...stack, top: { kind: 'open', ...open('up') } }],
      },
    ],
    probes: [{ name: 'face', layer: 'pad', at: 'top' }],
    doses: [],
    outputS: [closedS + Math.max(lateS, 0.05)],
  });
  return ((probes.face[0] ?? roomC) - roomC) / (TYPICAL_C - roomC);
}

/** A plate's temperature as a reading of its pad tells it. */
export interface PlateReading {
  plateC: number;
  /** Between these lie four of five runs with other assumptions, °C. */
  low: number;
  high: number;
}

/**
 * What the plate must have been for a pad to read so much: the pad has cooled since, more the later it is read. The way from
 * room to plate shrinks by a share that hardly depends on the plate, so one share serves all readings taken alike.
 *
 * @param how of all readings that were taken alike
 * @returns a function from a reading, °C, to the plate
 */
export function plateFromPad(how: PadReading, draws = 60): (readC: number) => PlateReading {
  const usual = shareLeft(how, usualParameters());
  const sets = drawParameters(11);
  const shares = Array.from({ length: draws }, () => shareLeft(how, sets.next().value)).sort((p, q) => p - q);
  const at = (share: number): number => shares[Math.round(share * (shares.length - 1))];
  const plateOf = (readC: number, share: number): number => how.roomC + (readC - how.roomC) / share;
  return (readC) => ({
    plateC: plateOf(readC, usual),
    low: plateOf(readC, at(0.9)),
    high: plateOf(readC, at(0.1)),
  });
}
