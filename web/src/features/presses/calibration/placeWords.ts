import type { ProbeName } from '@saltflat/core/heat';
import { t } from '../../../words/index.ts';

/** Places in a stack, as one lays a sensor there. */
export const PLACES: Record<ProbeName, string> = {
  glue: t('Under the glue, on the garment'),
  'patch-glue': t('Under the patch'),
  powder: t('In the powder'),
  ink: t('At the ink'),
  face: t('On the garment’s face'),
  back: t('Under the garment'),
  stiffener: t('On the stiffener'),
  pad: t('On the pad'),
};
