import { randomUUID } from 'node:crypto';
import { DomainError, equipmentOf, isMaskRow, refused } from '@saltflat/contract';
import type {
  Catalogue,
  FilmLayout,
  FilmLayoutDocument,
  FilmLayoutInput,
  FilmLayoutPage,
  FilmLayoutQuery,
  FilmWaiting,
  Guest,
  Run,
  RunStart,
  WaitingTransfers,
} from '@saltflat/contract';
import { countOf, itemOf, nameOf, problemOfLayout, runOf, withMore } from '@saltflat/contract/filmJob';
import { filmSharesOf, freeKeys, layoutOf } from '@saltflat/core/film';
import type { FilmProblem, LayoutFault, Placement } from '@saltflat/core/film';
import type { FilmShare } from '../../db/models/index.ts';
import type { LayoutStore } from './layoutStore.ts';

interface Needs {
  layouts: LayoutStore;
  /** Transfers of these lines: of those that are ready for the floor, and what is printed again for those that are on it. */
  waiting: (lineIds: readonly string[]) => Promise<FilmWaiting>;
  readCatalogue: () => Promise<Catalogue>;
  faults: (laid: { problem: FilmProblem; placements: readonly Placement[] }) => Promise<LayoutFault[]>;
  startRun: (
    start: RunStart,
    layout: {
      layoutId: string;
      guests: Guest[];
      more: { lineId: string; print: string; count: number }[];
    },
  ) => Promise<Run>;
  now: () => number;
}

/** Layouts: kept as they were made, and put on the floor. */
export class LayoutService {
  constructor(private readonly needs: Needs) {}

  list(query: FilmLayoutQuery): Promise<FilmLayoutPage> {
    return this.needs.layouts.page(query);
  }

  async get(id: string): Promise<FilmLayout> {
    const layout = await this.needs.layouts.find(id);
    if (!layout) throw new DomainError('not-found', 'There is no such layout of film here.');
    return layout;
  }

  /** Keeps a layout with all that it was made of. Only what can be printed as it lies is kept. */
  async keep(input: FilmLayoutInput): Promise<FilmLayout> {
    const { layouts, faults, now } = this.needs;
    const document = await this.documentOf(input);
    const problem = problemOfLayout(document);
    refuseOthers(problem, document.placements);
    const wrong = await faults({ problem, placements: document.placements });
    if (wrong.length > 0)
      throw refused(
        '/placements',
        `${wrong.length} times a piece lies over an edge or too near another. Lay it out again, or move it by hand.`,
      );
    const { sheets, lengthMm } = layoutOf(problem, document.placements);
    const id = randomUUID();
    const shares = sharesOf(document, problem);
    await layouts.insert({ id, document, shares, sheets, lengthMm, by: input.by, at: new Date(now()) });
    return this.get(id);
  }

  /** Puts the lines of a layout on the floor, with their sheets as they lie. */
  async start(id: string, by: string): Promise<Run> {
    const { code, runId, document } = await this.get(id);
    if (runId !== null) throw new DomainError('not-now', `${code} is on the floor already.`);
    const waiting = await this.transfersOf(document.transfers); // planned anew since, its sizes may be others
    const more = document.transfers.map(({ lineId, print, spares }, i) => ({
      lineId,
      print,
      count: spares - (waiting[i]?.spares ?? spares),
    }));
    const { guests, ...own } = runOf(document.transfers, document.placements);
    if (own.lineIds.length === 0)
      throw new DomainError(
        'not-now',
        `All of ${code} is printed again for lines that are on the floor: print it from there, each with its own line.`,
      );
    const laidOut = { layoutId: id, guests, more: more.filter(({ count }) => count > 0) };
    return this.needs.startRun({ ...own, by }, laidOut);
  }

  private async documentOf(input: FilmLayoutInput): Promise<FilmLayoutDocument> {
    const waiting = await this.transfersOf(input.transfers);
    const transfers = waiting.map((own, i) => withMore(own, moreOf(input, i, own)));
    const [{ film, powder, printer } = noTransfers()] = transfers;
    for (const own of transfers)
      if (own.film.id !== film.id || own.powder?.id !== powder?.id || own.printer?.id !== printer?.id)
        throw new DomainError(
          'not-now',
          `${transfers[0]?.code ?? ''} and ${own.code} take different film, powder or printers: they cannot share a sheet.`,
        );
    const { films, printers } = equipmentOf(await this.needs.readCatalogue());
    const stocked = films.find(({ id }) => id === film.id);
    if (!stocked)
      throw new DomainError('not-now', `${film.name} is not in the shop any more: plan these lines anew.`);
    const { settings, marks, placements } = input;
    const masks = settings.outlines === 'boxes' ? [] : input.masks;
    refuseBadMasks(transfers, masks);
    return {
      film: { ...film, widthMm: stocked.widthMm, heightMm: stocked.heightMm },
      powder,
      printer,
      isMirroredHere: printers.find(({ id }) => id === printer?.id)?.isMirroring !== true,
      transfers,
      first: input.transfers.filter(({ isFirst }) => isFirst).map(nameOf),
      upright: input.transfers.filter(({ isUpright }) => isUpright).map(nameOf),
      settings,
      marks,
      masks,
      placements,
    };
  }

  /** What waits of lines, as it was looked at. */
  private async transfersOf(
    wished: readonly (Pick<FilmLayoutInput['transfers'][number], 'lineId' | 'print' | 'routeNumber'> &
      Partial<Pick<WaitingTransfers, 'again'>>)[],
  ): Promise<WaitingTransfers[]> {
    const { items } = await this.needs.waiting([...new Set(wished.map(({ lineId }) => lineId))]);
    return wished.map(({ lineId, print, routeNumber, again }) => {
      const found = items.find((own) => own.lineId === lineId && own.print === print);
      // begun meanwhile, or made again meanwhile; what is being laid out is taken as it waits
      const isGone =
        again === null
          ? found?.again !== null
          : again?.parts.some((part) => found?.again?.parts.includes(part) !== true) === true;
      if (!found || isGone)
        throw new DomainError(
          'not-now',
          'One of these lines does not wait for film any more. Look again at what waits, and lay it out anew.',
        );
      if (found.routeNumber !== routeNumber)
        throw new DomainError(
          'not-now',
          `${found.code} was planned anew since: its transfers may be others. Look again at what waits, and lay it out anew.`,
        );
      return found;
    });
  }
}

/** What is laid of a print beyond what its line wants. */
function moreOf({ transfers }: FilmLayoutInput, i: number, { code, again }: WaitingTransfers): number {
  const more = transfers[i]?.more ?? 0;
  if (more > 0 && again)
    throw refused(
      `/transfers/${i}/more`,
      `${code} is printed again for what was spoiled: it takes no spares. Lay them with a line that has not begun.`,
    );
  return more;
}

/** Film a transfer of each print takes, all its sizes together. */
function sharesOf({ transfers, placements }: FilmLayoutDocument, problem: FilmProblem): FilmShare[] {
  const byItem = filmSharesOf(problem, placements);
  const first = transfers.filter(({ again }) => again === null); // what a few cost once more says nothing of all
  return first.map((own) => {
    const { lineId, print, routeNumber, sizes } = own;
    const film = sizes.reduce(
      (sum, { slots }, n) => sum + slots.length * (byItem.get(itemOf(own, n)) ?? 0),
      0,
    );
    return { lineId, print, routeNumber, filmM2: film / countOf(own) };
  });
}

/** Refuses pieces that are not of the problem, that lie twice, that are missing, and sheets without any. */
function refuseOthers(problem: FilmProblem, placements: readonly Placement[]): void {
  const known = new Map(
    freeKeys({ items: problem.items }).flatMap((keys, i) => keys.map((key) => [key, problem.items[i]?.id])),
  );
  const laid = new Set<string>();
  for (const [i, { key, itemId }] of placements.entries()) {
    if (known.get(key) !== itemId || laid.has(key))
      throw refused(
        `/placements/${i}/key`,
        laid.has(key) ? `${key} lies twice: each piece lies once.` : `${key} is no piece of these lines.`,
      );
    laid.add(key);
  }
  const missing = known.size - laid.size;
  if (missing > 0)
    throw refused('/placements', `${missing} pieces are not on film yet. Lay it out again, then keep it.`);
  const used = new Set(placements.map(({ sheet }) => sheet));
  for (let sheet = 0; sheet < used.size; sheet++)
    if (!used.has(sheet)) throw refused('/placements', `Sheet ${sheet + 1} has nothing on it.`);
}

function refuseBadMasks(transfers: readonly WaitingTransfers[], masks: FilmLayoutInput['masks']): void {
  const sizes = new Map(
    transfers.flatMap((own) => own.sizes.map((size, n) => [itemOf(own, n), size] as const)),
  );
  for (const [i, { itemId, widthMm, heightMm, rows }] of masks.entries()) {
    const size = sizes.get(itemId);
    const isWhole =
      size !== undefined && widthMm === Math.ceil(size.widthMm) && heightMm === Math.ceil(size.heightMm);
    if (!isWhole || rows.length !== heightMm || rows.some((row) => !isMaskRow(row, widthMm)))
      throw refused(`/masks/${i}`, `The outline of ${itemId} is not one of a print of that size.`);
  }
}

function noTransfers(): never {
  throw new Error('a layout of nothing'); // its schema asks for one at least
}
