import { CLOTHS, CLOTH_FACTS, DRY_COVERS, USUAL_DRYING, roomWith } from '@saltflat/core/spray';
import type { DryCover, DryPhase, DryProblem } from '@saltflat/core/spray';
import { Type } from 'typebox';
import type { Static } from '../scalars.ts';
import type { Faults } from './parts.ts';
import { Above0, Room, Share, listAt, figureAt, at } from './parts.ts';

const PLATE = { least: 40, most: 230 };
const Plate = Type.Number({
  title: 'Plate in °C (330 would be °F)',
  minimum: PLATE.least,
  maximum: PLATE.most,
});
const Duration = Type.Number({ title: 'Duration in seconds', exclusiveMinimum: 0, maximum: 200_000 });
const Air = Type.Optional(Type.Number({ title: 'Air speed', minimum: 0, maximum: 20 }));

export const FabricPart = Type.Object({
  kind: Type.Optional(Type.Enum([...CLOTHS], { title: 'Fabric' })),
  gm2: Type.Optional(Type.Number({ title: 'Weight of the fabric', minimum: 20, maximum: 2000 })),
  tone: Type.Optional(Type.Enum(['dark', 'pale'], { title: 'Tone' })),
});

const PHASES = {
  press: Type.Object({
    plateC: Plate,
    s: Duration,
    kPa: Type.Optional(Type.Number({ title: 'Pressure in kPa', minimum: 2, maximum: 200 })),
    cover: Type.Optional(Type.Enum(Object.keys(DRY_COVERS) as DryCover[], { title: 'Cover' })),
  }),
  open: Type.Object({ s: Duration, airMPerS: Air }),
  hover: Type.Object({
    plateC: Plate,
    gapMm: Type.Number({ title: 'Gap', exclusiveMinimum: 0, maximum: 500 }),
    s: Duration,
  }),
  air: Type.Object({
    s: Duration,
    airMPerS: Air,
    sides: Type.Optional(Type.Integer({ title: 'Open sides', minimum: 1, maximum: 2 })),
    bench: Type.Optional(Type.Boolean({ title: 'On a bench' })),
  }),
};
const KINDS = Object.keys(PHASES) as (keyof typeof PHASES)[];
const AnyPhase = Type.Object({ kind: Type.Enum(KINDS, { title: 'Kind of a phase' }) });

export const DryJob = Type.Object({
  depositGm2: Type.Number({ title: 'Deposit', exclusiveMinimum: 0, maximum: 5000 }),
  waterShare: Type.Optional(Share('Share of water')),
  fabric: Type.Optional(FabricPart),
  room: Type.Optional(Room),
  startC: Type.Optional(Type.Number({ title: 'Starting temperature', minimum: -10, maximum: 100 })),
  padC: Type.Optional(Type.Number({ title: 'Pad', minimum: -10, maximum: 230 })),
  phases: Type.Array(AnyPhase, { title: 'Phases', minItems: 1, maxItems: 200 }),
  weighBack: Type.Optional(
    Type.Object({ beforeG: Above0('Weight before'), nowG: Above0('Weight now'), areaMm2: Above0('Area') }),
  ),
});

export interface DryReading {
  problem: DryProblem;
  weighBack: { beforeG: number; nowG: number; areaMm2: number } | null;
}

/** A job in longer than this takes minutes to follow. */
const LONGEST_S = 400_000;

export function readDry(data: unknown, faults: Faults): DryReading | null {
  const job = faults.part(DryJob, data);
  const phases = listAt(data, 'phases').map((own, i): DryPhase | null => {
    const kind = at(own, 'kind');
    return KINDS.some((known) => known === kind)
      ? readPhase(kind as keyof typeof PHASES, own, `/phases/${i}`, faults)
      : null;
  });
  const total = listAt(data, 'phases').reduce<number>((sum, own) => sum + (figureAt(own, 's') ?? 0), 0);
  if (total > LONGEST_S) faults.add('/phases', `The phases take ${total} s together: ${LONGEST_S} at most.`);
  if (job === null || faults.fields.length > 0) return null;
  const { depositGm2, waterShare, fabric, startC, padC, weighBack = null } = job;
  const cloth = fabric?.kind ?? 'cotton-knit';
  const { tempC, rh } = roomWith(job.room);
  return {
    problem: {
      depositGm2,
      waterShare: waterShare ?? USUAL_DRYING.waterShare,
      cloth,
      clothGm2: fabric?.gm2 ?? CLOTH_FACTS[cloth].refGm2,
      room: { tempC, rh },
      startC: startC ?? tempC,
      padC: padC ?? USUAL_DRYING.padC,
      phases: phases.filter((own) => own !== null),
    },
    weighBack,
  };
}

function readPhase(kind: keyof typeof PHASES, data: unknown, path: string, faults: Faults): DryPhase | null {
  if (kind === 'press') {
    const own = faults.part(PHASES.press, data, path);
    return (
      own && {
        kind,
        plateC: own.plateC,
        s: own.s,
        kPa: own.kPa ?? USUAL_DRYING.kPa,
        cover: own.cover ?? USUAL_DRYING.cover,
      }
    );
  }
  if (kind === 'hover') {
    const own = faults.part(PHASES.hover, data, path);
    return own && { kind, plateC: own.plateC, s: own.s, gapMm: own.gapMm };
  }
  const own: Static<typeof PHASES.air> | null = faults.part(PHASES[kind], data, path);
  if (own === null) return null;
  const { s, airMPerS = 0, sides, bench = false } = own;
  return kind === 'open' ? { kind, s, airMPerS } : { kind, s, airMPerS, sides: sides === 2 ? 2 : 1, bench };
}
