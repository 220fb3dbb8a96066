import type { ArtOverrule, PrintArt } from '@saltflat/contract';
import { stopsOf } from '@saltflat/core/artwork';
import type { Finding } from '@saltflat/core/artwork';
import { canonical } from '../../canonical.ts';

/** A print as it was planned, and what stands out in its art. */
export interface JudgedPrint extends Pick<PrintArt, 'print' | 'artworkId'> {
  job: Pick<PrintArt['job'], 'steps' | 'widthMm' | 'garment'>;
  findings: Finding[];
}

/** What an overrule of everything that stops these prints is about. */
export const overruleOf = (judged: readonly JudgedPrint[]): ArtOverrule['of'] =>
  judged.flatMap(({ print, artworkId, job: { steps = [], widthMm, garment }, findings }) =>
    stopsOf(findings).map((finding) => ({
      print,
      finding,
      asPrinted: { artworkId, steps: [...steps], widthMm, garment },
    })),
  );

/**
 * Where a planned line stands by its art: ready where nothing stops the print, or where somebody has overruled all that
 * does. An overrule is of one art made ready one way at one size on one colour: anything else is asked anew.
 */
export function artStanding(
  judged: readonly JudgedPrint[],
  overrule: ArtOverrule | null,
): { to: 'ready' | 'art-to-mend'; artOverrule: ArtOverrule | null } {
  const stops = overruleOf(judged);
  if (stops.length === 0) return { to: 'ready', artOverrule: null };
  const overruled = new Set(overrule?.of.map(keyOf));
  return stops.every((stop) => overruled.has(keyOf(stop)))
    ? { to: 'ready', artOverrule: overrule }
    : { to: 'art-to-mend', artOverrule: null };
}

const keyOf = ({ print, finding, asPrinted }: ArtOverrule['of'][number]): string =>
  canonical([print, finding.code, asPrinted]);

/** Places are looked at on the artwork itself; a line carries what is said. */
export const withoutPlaces = (findings: readonly Finding[]): Finding[] =>
  findings.map((finding) => ({ ...finding, places: [] }));
