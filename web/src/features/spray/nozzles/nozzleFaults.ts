import { USUAL_GUN } from '@saltflat/core/spray';
import type { NozzleFault, SprayRun } from '@saltflat/core/spray';
import { t } from '../../../words/index.ts';

/** What may be wrong with a nozzle, and how it is told from others. */
export const NOZZLE_FAULTS = {
  blocked: {
    name: t('Blocked'),
    fault: { flowShare: 0 },
    look: t('A pale stripe under it and nothing else: take it out, soak it, blow it free from the front.'),
  },
  weak: {
    name: t('Half clogged'),
    fault: { flowShare: 0.5 },
    look: t(
      'A faint stripe under it: it grows over days, and the weigh-in falls with it. Clean it before shirts fail.',
    ),
  },
  leaning: {
    name: t('Leans sideways'),
    fault: { tiltXDeg: 12 },
    look: t(
      'A pale stripe with a dark one beside it: the fluid is there, in the wrong place. Set it straight.',
    ),
  },
  turned: {
    name: t('Fan turned'),
    fault: { turnDeg: 60 },
    look: t(
      'A dark line under it with pale ones on both sides: its fan lies along the travel. Turn it back.',
    ),
  },
} as const satisfies Record<string, { name: string; fault: Partial<NozzleFault>; look: string }>;
export type FaultName = keyof typeof NOZZLE_FAULTS;

export interface RowShown {
  count: number;
  pitchMm: number;
  heightMm: number;
  /** 1: the leftmost. */
  nozzle: number;
  fault: FaultName;
}

export const USUAL_ROW: RowShown = { count: 6, pitchMm: 70, heightMm: 140, nozzle: 3, fault: 'blocked' };

/** A row as such machines have them (assumption): what its faults look like hangs on overlap, not on its flow. */
export const runOf = ({ count, pitchMm, heightMm, nozzle, fault }: RowShown): SprayRun => ({
  row: {
    count,
    pitchMm,
    rotDeg: 90,
    nozzle: { ...USUAL_GUN, flowGPerS: 0.9, fan: { major: 1.2, minor: 0.25 }, efficiency: 0.95 },
  },
  heightMm,
  speedMmPerS: 90,
  passes: 1,
  widthMm: (count - 1) * pitchMm,
  lengthMm: 400,
  overrunMm: 20,
  faults: [{ nozzle, flowShare: 1, tiltXDeg: 0, tiltYDeg: 0, turnDeg: 0, ...NOZZLE_FAULTS[fault].fault }],
  stepMm: 2,
});
