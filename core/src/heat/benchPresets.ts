import type { StackLayer, StackMaterial } from '../work/index.ts';
import type { BenchStack } from './benchStack.ts';

/** Questions people argue about, each as stacks to hold against each other. */
export const BENCH_QUESTIONS = ['mat', 'mat-start', 'sheet', 'bursts', 'lower', 'damp', 'cooling'] as const;
export type BenchQuestion = (typeof BENCH_QUESTIONS)[number];

/** One answer to a question. */
export interface BenchVariant {
  name: BenchName;
  stack: BenchStack;
}
export type BenchName =
  | 'bare'
  | 'parchment'
  | 'fluoropolymer'
  | 'mat-parked'
  | 'mat-cold'
  | 'thin-mat'
  | 'one-press'
  | 'bursts'
  | 'form-cold'
  | 'form-warm'
  | 'form-hot'
  | 'dry'
  | 'damp'
  | 'wet'
  | 'on-wood'
  | 'on-metal'
  | 'on-press';

const layer = (material: StackMaterial, dMm: number, waterGM2 = 0): StackLayer => ({
  material,
  dMm,
  waterGM2,
});
const TRANSFER = [layer('film', 0.075), layer('transfer-ink', 0.04), layer('adhesive-fused', 0.07)];
const PARCHMENT = layer('parchment', 0.05);
const MAT = layer('silicone-mat', 3);
const TEE = layer('cotton-jersey', 0.45);
const CAP = [layer('cap-twill', 0.5), layer('buckram', 0.5)];

const on = (cloth: StackLayer[], cover: StackLayer | null, own: Partial<BenchStack> = {}): BenchStack => ({
  layers: [...(cover ? [cover] : []), ...TRANSFER, ...cloth],
  pad: 'sponge-pad',
  plateC: 160,
  lowerC: null,
  kPa: 35,
  gapMm: 0,
  dwellS: 15,
  closings: 1,
  openS: 10,
  mat: 'parked',
  coolsOn: 'wood',
  ...own,
});
const capOn = (lowerC: number | null): BenchStack =>
  on(CAP, PARCHMENT, { plateC: 150, kPa: 20, dwellS: 20, pad: 'solid-pad', lowerC });

/** A question's stacks, at most four. */
export function benchVariants(question: BenchQuestion): BenchVariant[] {
  switch (question) {
    case 'mat':
      return [
        { name: 'bare', stack: on([TEE], null) },
        { name: 'parchment', stack: on([TEE], PARCHMENT) },
        { name: 'thin-mat', stack: on([TEE], layer('silicone-mat', 1.5)) },
        { name: 'mat-parked', stack: on([TEE], MAT) },
      ];
    case 'mat-start':
      return [
        { name: 'parchment', stack: on([TEE], PARCHMENT, { dwellS: 40 }) },
        { name: 'mat-parked', stack: on([TEE], MAT, { dwellS: 40 }) },
        { name: 'mat-cold', stack: on([TEE], MAT, { dwellS: 40, mat: 'cold' }) },
      ];
    case 'sheet':
      return [
        { name: 'parchment', stack: on([TEE], PARCHMENT) },
        { name: 'fluoropolymer', stack: on([TEE], layer('ptfe', 0.13)) },
      ];
    case 'bursts':
      return [
        { name: 'one-press', stack: on([TEE], PARCHMENT, { dwellS: 24 }) },
        { name: 'bursts', stack: on([TEE], PARCHMENT, { dwellS: 8, closings: 3 }) },
      ];
    case 'lower':
      return [
        { name: 'form-cold', stack: capOn(null) },
        { name: 'form-warm', stack: capOn(100) },
        { name: 'form-hot', stack: capOn(140) },
      ];
    case 'damp':
      return [
        { name: 'dry', stack: on([TEE], PARCHMENT) },
        { name: 'damp', stack: on([{ ...TEE, waterGM2: 12 }], PARCHMENT) },
        { name: 'wet', stack: on([{ ...TEE, waterGM2: 60 }], PARCHMENT) },
      ];
    case 'cooling':
      return [
        { name: 'on-wood', stack: on([TEE], PARCHMENT, { coolsOn: 'wood' }) },
        { name: 'on-metal', stack: on([TEE], PARCHMENT, { coolsOn: 'metal' }) },
        { name: 'on-press', stack: on([TEE], PARCHMENT, { coolsOn: 'press' }) },
      ];
  }
}
