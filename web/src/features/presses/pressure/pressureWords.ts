import type { TestedBy } from '@saltflat/core/press';
import { t } from '../../../words/index.ts';

/** How a mark is tested, and what is read; nothing is read off paper that a hand pulls. */
export const TESTS: Record<TestedBy, { name: string; unit: string | null }> = {
  strip: { name: t('Strip, slid at'), unit: 'kg' },
  air: { name: t('Air, by its gauge'), unit: 'bar' },
  gauge: { name: t('Gauge or pressure film'), unit: 'kPa' },
  slides: { name: t('Paper slides out easily'), unit: null },
  drags: { name: t('Paper drags'), unit: null },
  holds: { name: t('Paper holds or tears'), unit: null },
};
