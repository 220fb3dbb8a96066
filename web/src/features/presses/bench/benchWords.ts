import type { BenchName, BenchQuestion } from '@saltflat/core/heat';
import type { StackMaterial } from '@saltflat/core/work';
import { t } from '../../../words/index.ts';

export const QUESTIONS: Record<BenchQuestion, string> = {
  mat: t('Mat, sheet or bare'),
  'mat-start': t('A cold mat or one kept on the press'),
  sheet: t('Parchment or a fluoropolymer sheet'),
  bursts: t('One long press or bursts'),
  lower: t('A warm form under a cap'),
  damp: t('A damp shirt'),
  cooling: t('Where it cools before peeling'),
};

export const STACK_NAMES: Record<BenchName, string> = {
  bare: t('Bare'),
  parchment: t('Parchment'),
  fluoropolymer: t('Fluoropolymer sheet'),
  'mat-parked': t('Thick mat, kept hot'),
  'mat-cold': t('Thick mat, cold'),
  'thin-mat': t('Thin mat, kept hot'),
  'one-press': t('One press'),
  bursts: t('Three bursts'),
  'form-cold': t('Form cold'),
  'form-warm': t('Form at 100 °C'),
  'form-hot': t('Form at 140 °C'),
  dry: t('Dry'),
  damp: t('Damp from the shelf'),
  wet: t('Wet to the hand'),
  'on-wood': t('On a wooden table'),
  'on-metal': t('On a metal table'),
  'on-press': t('Left on the press'),
};

export const MATERIALS: Record<StackMaterial, string> = {
  parchment: t('Parchment'),
  kraft: t('Kraft paper'),
  ptfe: t('Fluoropolymer sheet'),
  'silicone-mat': t('Silicone mat'),
  film: t('Film'),
  'transfer-ink': t('Transfer ink'),
  'direct-ink': t('Direct ink'),
  'adhesive-fused': t('Glue, fused'),
  'adhesive-powder': t('Glue, powder'),
  'cotton-jersey': t('Cotton jersey'),
  fleece: t('Fleece'),
  'polyester-knit': t('Polyester knit'),
  'cap-twill': t('Cap twill'),
  canvas: t('Canvas'),
  buckram: t('Stiffener'),
  'cap-foam': t('Foam'),
  leatherette: t('Leatherette patch'),
  'sponge-pad': t('Sponge pad'),
  'solid-pad': t('Solid pad'),
};

/** What a stack is drawn in: kinds of things, told by name as well. */
export const GROUND_OF = (material: StackMaterial): string => {
  if (material === 'silicone-mat' || material === 'parchment' || material === 'kraft' || material === 'ptfe')
    return '#D5DEE1';
  if (material === 'film') return '#CFE6EA';
  if (material.endsWith('-ink')) return '#6E5BA6';
  if (material.startsWith('adhesive')) return '#F6C445';
  if (material.endsWith('-pad')) return '#8AA0A7';
  return '#E3F0F1';
};
