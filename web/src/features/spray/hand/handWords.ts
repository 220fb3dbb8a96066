import type { PatternPlan, SprayAdvice } from '@saltflat/core/spray';
import { t } from '../../../words/index.ts';

const percent = (share: number): number => Math.round(100 * share);

/** What to do otherwise, in a sentence. */
export function adviceWords(advice: SprayAdvice): string {
  switch (advice.what) {
    case 'nothing-on':
      return t('Nothing is on the area yet.');
    case 'too-little':
      return t('{share} % too little: move slower, or spray the bands once more.', {
        share: percent(advice.by),
      });
    case 'too-much':
      return t('{share} % too much: move faster, or leave a band out.', { share: percent(advice.by) });
    case 'sides-build-up':
      return t(
        'The sides have {share} % more than the middle: let the trigger go, and turn beside the garment.',
        {
          share: percent(advice.by),
        },
      );
    case 'ends-build-up':
      return t(
        'Top and bottom have {share} % more than the middle: keep the first and last band further apart.',
        {
          share: percent(advice.by),
        },
      );
    case 'edges-thin':
      return t(
        'The edges have {share} % less than the middle: begin and end each band further beside the area.',
        {
          share: percent(advice.by),
        },
      );
    case 'stripes':
      return t('It varies by {share} %: overlap each band by half, keep speed and distance.', {
        share: percent(advice.by),
      });
    case 'even':
      return t('Right amount, and even: that is how it should be.');
  }
}

/** Why no bands do. */
export const REASONS: Record<Extract<PatternPlan, { pattern: null }>['reason'], string> = {
  waste: t(
    'Only with most of it beside the garment: hold the gun nearer, or mask the rest and accept the waste.',
  ),
  'too-slow': t(
    'The gun gives too little for that: even the slowest hand is too fast. Allow more bands, or spray twice.',
  ),
  'too-fast': t(
    'The gun gives too much for that: even the fastest hand is too slow. Turn its flow down, or hold it further off.',
  ),
};
