import type { FilmWaiting, Run, WaitingTransfers } from '@saltflat/contract';
import { againCents } from '@saltflat/core/cost';
import { transfersOf } from '@saltflat/core/route';
import type { FilmAgain } from '@saltflat/core/run';
import type { Database } from '../../db/connection.ts';
import { readFilmWaiting, readRolls } from './filmReads.ts';

interface Needs {
  db: Database;
  /** What is printed again for runs on the floor. */
  filmAgain: () => Promise<{ run: Run; again: FilmAgain }[]>;
  /** Transfers that were printed and lost. */
  spoilage: () => Promise<FilmWaiting['spoilage']>;
}

/** What can be laid on film: lines that are ready for the floor, and what was spoiled there. */
export class WaitingFilm {
  constructor(private readonly needs: Needs) {}

  /** @param lineIds of these lines; `null` for all */
  async read(lineIds: readonly string[] | null = null): Promise<FilmWaiting> {
    const { db, filmAgain, spoilage } = this.needs;
    const [ready, spoiled, lost, rolls] = await Promise.all([
      readFilmWaiting(db, lineIds),
      filmAgain(),
      spoilage(),
      readRolls(db),
    ]);
    const again = spoiled.flatMap(({ run, again: own }) => againTransfers(run, own));
    const wanted = again.filter(({ lineId }) => lineIds === null || lineIds.includes(lineId));
    const items = [...ready.items, ...(await this.withSteps(wanted))];
    items.sort((p, q) => p.dueAt.localeCompare(q.dueAt)); // sorting is stable: lines of one order stay in theirs
    return { items, isMore: ready.isMore, rolls, spoilage: lost };
  }

  /** With what is done to their files before they are printed. */
  private async withSteps(transfers: WaitingTransfers[]): Promise<WaitingTransfers[]> {
    if (transfers.length === 0) return [];
    const prints = await this.needs.db.models.prints.findAll({
      where: { lineId: [...new Set(transfers.map(({ lineId }) => lineId))] },
      include: ['preparation'],
    });
    return transfers.map((own) => {
      const print = prints.find(({ lineId, id }) => lineId === own.lineId && id === own.print);
      return { ...own, steps: print?.preparation?.steps ?? [] };
    });
  }
}

/** Transfers of a run that are printed again, as what waits for film. */
function againTransfers(
  { id: runId, lines }: Run,
  { line: key, lane, parts, faults }: FilmAgain,
): WaitingTransfers[] {
  const line = lines.find((own) => own.key === key);
  const print = line?.route.lanes.find(({ id }) => id === lane)?.print;
  const planned = line && transfersOf(line.route).find((own) => own.print === print);
  if (!line || !planned) return [];
  const { lineId, orderId, code, customer, dueAt, garment, colourHex, routeNumber, prints, route } = line;
  const ordered = [...parts].sort((p, q) => p.slot - q.slot);
  const slots = ordered.map(({ slot }) => slot);
  return [
    {
      ...planned,
      ...{ lineId, orderId, code, customer, dueAt, garment, colourHex, routeNumber },
      artworkId: prints.find(({ id }) => id === print)?.artworkId ?? null,
      steps: [],
      sizes: planned.sizes.flatMap((size) => {
        const own = size.slots.filter((slot) => slots.includes(slot));
        return own.length > 0 ? [{ ...size, slots: own }] : [];
      }),
      spares: 0,
      again: {
        runId,
        parts: ordered.map(({ id }) => id),
        faults,
        cents: againCents(route, lane) * parts.length,
      },
    },
  ];
}
