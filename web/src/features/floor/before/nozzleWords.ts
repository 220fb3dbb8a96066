import type { MissingNozzles, NozzleVerdict } from '@saltflat/core/care';
import { NOZZLE_CHANNELS, judgeNozzles } from '@saltflat/core/care';
import type { NozzleChannel } from '@saltflat/core/care';
import { t } from '../../../words/index.ts';

/** Inks of the pattern, as they are called and drawn. */
export const CHANNELS: readonly { key: NozzleChannel; name: string; colour: string }[] = [
  { key: 'white', name: t('White'), colour: '#FFFFFF' },
  { key: 'cyan', name: t('Cyan'), colour: '#2E9CC4' },
  { key: 'magenta', name: t('Magenta'), colour: '#C0417F' },
  { key: 'yellow', name: t('Yellow'), colour: '#D9B21F' },
  { key: 'black', name: t('Black'), colour: '#2A2F2D' },
];

/** “2 missing: white 12, cyan 40”. */
export function missingWords(missing: MissingNozzles): string {
  const { count } = judgeNozzles(missing);
  if (count === 0) return t('no nozzle missing');
  const named = NOZZLE_CHANNELS.flatMap((channel) =>
    (missing[channel] ?? []).map(
      (nozzle) => `${CHANNELS.find(({ key }) => key === channel)?.name ?? ''} ${nozzle}`,
    ),
  );
  const shown = named.slice(0, 4).join(', ');
  return t('{count} missing: {names}', { count, names: named.length > 4 ? `${shown} …` : shown });
}

export const ADVICE: Record<NozzleVerdict['advice'], string> = {
  print: t('None crossed out: cross out what left no mark, by hand or by arrows and Space.'),
  look: t('◐ Single ones: other passes close them. Look at the first print.'),
  clean: t('◆ Neighbours or many: they show as lines. Clean and look again.'),
};
