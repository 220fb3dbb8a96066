import { DomainError, PLACEMENTS, routeInputOf } from '@saltflat/contract';
import type { LineDocument, LinePrint, OrderLine, QuotedLine, RouteVersion } from '@saltflat/contract';
import { quoteLine } from '@saltflat/core/cost';
import type { Quote, QuoteInput } from '@saltflat/core/cost';
import type { AnySaid } from '@saltflat/core/words';
import { PROCESS_MODULES, PROCESS_NAMES, planRoute, refusalText } from '@saltflat/core/route';
import type { Process } from '@saltflat/core/route';
import type { PaperWords } from '../../pdf/index.ts';

/** A version of a line's route, and what it was planned from. */
interface Planned {
  version: RouteVersion;
  input: { document: LineDocument } | null;
}

/**
 * What a line is offered for by a version of its route: its own cost, and prices as they were when it was planned.
 *
 * @throws DomainError where the version is from before its input was kept: nothing of today's is put in its place
 */
export function quoteVersion({ version, input }: Planned): Quote {
  if (input === null)
    throw new DomainError(
      'not-now',
      `Version ${version.number} is from before prices were kept with a route: it has no quote.`,
    );
  const { document } = input;
  const routeInput = routeInputOf(document);
  const routeFor: QuoteInput['routeFor'] = (pieces) =>
    pieces === document.pieces ? { ok: true, route: version.route } : planRoute({ ...routeInput, pieces });
  const sizes = document.sizes.map(({ size, quantity, cents }) => ({
    size,
    quantity,
    blankCents: cents,
  }));
  const quoted = quoteLine({ routeFor, garment: document.garment, sizes, rates: document.rates });
  if (!quoted.ok) throw new DomainError('not-now', refusalText(quoted.refusals));
  return quoted.quote;
}

/** A version's quote with what is said of how it will look: as fixed as the version itself. */
export interface PricedVersion {
  number: number;
  quote: Quote;
  looks: { process: Process; place: string; look: AnySaid | null }[];
}

/** @throws DomainError as `quoteVersion` does */
export function priceVersion(planned: Planned): PricedVersion {
  const quote = quoteVersion(planned);
  const { version, input } = planned;
  const line = input && routeInputOf(input.document);
  const looks = version.route.prints.map(({ id, process, placement }) => {
    const print = line?.prints.find((own) => own.id === id);
    const look = print && line ? PROCESS_MODULES[process].look({ ...line, ...print }).said : null;
    return { process, place: placement.label, look };
  });
  return { number: version.number, quote, looks };
}

const lookWords = (looks: PricedVersion['looks'], { t, said }: PaperWords): string =>
  looks
    .map(({ process, place, look }) => {
      const name = `${looks.length > 1 ? `${t(place)}: ` : ''}${t(PROCESS_NAMES[process])}`;
      return look === null ? `${name}.` : `${name}: ${said(look)}.`;
    })
    .join(' ');

const printWords = ({ artwork, placement, widthMm }: LinePrint, { t, q }: PaperWords): string =>
  t('{art}, {place}, {width} wide', {
    art: artwork?.name ?? t('artwork'),
    place: t(PLACEMENTS[placement].label).toLowerCase(),
    width: q(widthMm, 'length'),
  });

/** A line as a quote says it to a customer. */
export const quotedLine = (
  line: OrderLine,
  { number, quote, looks }: PricedVersion,
  words: PaperWords,
): QuotedLine => ({
  lineId: line.id,
  code: line.code,
  routeNumber: number,
  what: `${quote.pieces} × ${line.colour.name} ${line.styleName}`,
  print: line.prints.map((print) => printWords(print, words)).join('; '),
  look: lookWords(looks, words),
  quote,
});
