import type { Cloth } from '@saltflat/core/spray';
import { t } from '../../words/index.ts';

/** Cloths that figures of pretreatment are known for. */
export const CLOTH_NAMES: Record<Cloth, string> = {
  'cotton-knit': t('Cotton knit'),
  blend: t('Blend of cotton and polyester'),
  'polyester-knit': t('Polyester knit'),
  fleece: t('Fleece'),
  canvas: t('Canvas and other wovens'),
};
