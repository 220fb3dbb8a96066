import {
  USUAL_DRYING,
  airUntilTouchDry,
  burstsUntilReady,
  hoverUntilTouchDry,
  roomWith,
} from '../spray/index.ts';
import type { DryCover, DryTime, WetCloth } from '../spray/index.ts';
import { settingFor } from '../work/index.ts';
import type { Limit, Operation, Reason } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import type { CoverSheet, SheetKind } from './materials.ts';
import { clothOf, fluidWish } from './practices/directPretreat.ts';

/** What a balance of heat and water says of one way of drying. */
export interface DryingAdvice {
  reason: Reason;
  limits: Limit[];
}

const ROOM = roomWith(); // a usual one, its air standing still (assumption)

/** What is sprayed on in this route, g/m²: as it is settled there, else as the cloth wants it. */
function depositGm2(input: PrintInput, before: readonly Operation[]): number {
  const sprayed = before.find(({ role }) => role === 'spray');
  return (sprayed && settingFor(sprayed, 'fluid')?.value) ?? fluidWish(input).wished;
}

/** Water on the print area as pretreatment leaves it, g/m². */
export const waterGM2 = (input: PrintInput, before: readonly Operation[]): number =>
  Math.round(USUAL_DRYING.waterShare * depositGm2(input, before));

const wetCloth = (input: PrintInput, before: readonly Operation[]): WetCloth => ({
  depositGm2: depositGm2(input, before),
  waterShare: USUAL_DRYING.waterShare,
  cloth: clothOf(input.garment),
  clothGm2: input.garment.massGM2,
  room: ROOM,
  startC: ROOM.tempC,
  padC: USUAL_DRYING.padC,
});

const COVERS: Record<SheetKind, DryCover> = {
  parchment: 'parchment',
  kraft: 'kraft-paper',
  ptfe: 'ptfe-sheet',
  // as little heat comes through thin silicone as through a fabric sheet; a thick mat is for caps
  'silicone-thin': 'ptfe-sheet',
  'silicone-thick': 'ptfe-sheet',
  'silicone-textured': 'ptfe-sheet',
};

/** Bursts of a closed press until the pretreatment is ready for ink. */
export function burstCount(
  input: PrintInput,
  before: readonly Operation[],
  how: {
    press: { plateC: number; s: number; kPa: number };
    sheet: Pick<CoverSheet, 'kind'>;
    openS: number;
  },
): DryingAdvice {
  const cloth = wetCloth(input, before);
  const press = { ...how.press, cover: COVERS[how.sheet.kind] };
  const { ready, least, most } = remembered({ cloth, press, openS: how.openS }, () =>
    burstsUntilReady(cloth, press, how.openS),
  );
  return {
    reason: byModel(ready.usual, say('reason.dry-balance-bursts', { gM2: cloth.depositGm2, ...ready })),
    limits: [
      ...(least === null ? [] : [{ min: least, max: null, said: say('limit.still-wet') }]),
      ...(most === null ? [] : [{ min: null, max: most, said: say('limit.baked-stiff') }]),
    ],
  };
}

/** Seconds under a plate that does not touch, until a closing press takes the rest. */
export function hoverTime(
  input: PrintInput,
  before: readonly Operation[],
  hover: { plateC: number; gapMm: number },
): DryingAdvice {
  const cloth = wetCloth(input, before);
  const time = remembered({ cloth, hover }, () => hoverUntilTouchDry(cloth, hover));
  const band = roundedUp(time, 5);
  return {
    reason: byModel(band.usual, say('reason.dry-balance-hover', { gM2: cloth.depositGm2, ...band })),
    limits: notBefore(band.early),
  };
}

/** Seconds hung on a rack, both faces in still air, until a press lays the fibres. */
export function airTime(input: PrintInput, before: readonly Operation[]): DryingAdvice {
  const cloth = wetCloth(input, before);
  const air = { airMPerS: 0, sides: 2, bench: false } as const;
  const time = remembered({ cloth, air }, () => airUntilTouchDry(cloth, air));
  const band = roundedUp(time, 60);
  return {
    reason: byModel(
      band.usual,
      say('reason.dry-balance-air', { gM2: cloth.depositGm2, roomC: ROOM.tempC, rh: ROOM.rh, ...band }),
    ),
    limits: notBefore(band.early),
  };
}

const byModel = (value: number | null, said: Said): Reason => ({ source: 'model', said, value });

const notBefore = (min: number | null): Limit[] =>
  min === null ? [] : [{ min, max: null, said: say('limit.still-wet') }];

const roundedUp = ({ usual, early, late }: DryTime, step: number): DryTime => {
  const up = (s: number | null): number | null => (s === null ? null : step * Math.ceil(s / step));
  return { usual: up(usual), early: up(early), late: up(late) };
};

const MOST_REMEMBERED = 200;
const known = new Map<string, unknown>();

/** A balance takes tens of milliseconds and lines of a shop ask the same again and again: pure figures by what was asked. */
function remembered<T>(asked: object, work: () => T): T {
  const key = JSON.stringify(asked);
  if (known.has(key)) return known.get(key) as T;
  const made = work();
  if (known.size >= MOST_REMEMBERED) known.clear();
  known.set(key, made);
  return made;
}
