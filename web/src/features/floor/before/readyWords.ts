import type { ReadyItem } from '@saltflat/core/care';
import type { Readied } from '@saltflat/core/run';
import { t } from '../../../words/index.ts';

const MISSED: Record<ReadyItem, string> = {
  agitated: t('white not stirred'),
  nozzles: t('nozzles not all there'),
  room: t('room not within its range'),
  'mock-up': t('mock-up not compared'),
  layers: t('mirror and layers not looked at'),
  height: t('platen’s height not looked at'),
};

/** “Printed with 2 nozzles missing; mock-up not compared.” */
export function readyWords({ missed, nozzlesMissing }: Pick<Readied, 'missed' | 'nozzlesMissing'>): string {
  const words = missed.map((item) =>
    item === 'nozzles' && nozzlesMissing !== null && nozzlesMissing > 0
      ? nozzlesMissing === 1
        ? t('1 nozzle missing')
        : t('{count} nozzles missing', { count: nozzlesMissing })
      : MISSED[item],
  );
  return t('Before printing: {words}.', { words: words.join(', ') });
}
