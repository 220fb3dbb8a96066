import { readStoredRoute } from '@saltflat/contract';
import type { ShelfLine, ShelfPacket, ShelfPacketWhole, ShelfWish } from '@saltflat/contract';
import { ON_FILM, isShelfSize } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import { Op } from 'sequelize';
import type { Database } from '../../db/connection.ts';
import type { LineRow, PrintRow } from '../../db/models/index.ts';
import type { WholePacket } from './shelfStore.ts';

type Named = Omit<ShelfPacket['reserved'][number], 'pieces'>;
type History = ShelfPacketWhole['history'];

/** Lines that are looked at for one packet: more than wait for one artwork. */
const MOST_LINES = 100;

/** What the shelf wants to know of lines and artworks. */
export class ShelfReads {
  constructor(private readonly db: Database) {}

  async named(lineIds: readonly string[]): Promise<Map<string, Named>> {
    if (lineIds.length === 0) return new Map();
    const rows = await this.db.models.lines.findAll({
      where: { id: [...new Set(lineIds)] },
      include: { association: 'order', include: ['customer'] },
    });
    return new Map(rows.map((row) => [row.id, toNamed(row)]));
  }

  async rights(artworkIds: readonly string[]): Promise<Map<string, ShelfPacket['rights']>> {
    if (artworkIds.length === 0) return new Map();
    const rows = await this.db.models.artworks.findAll({
      attributes: ['id', 'rights'],
      where: { id: [...new Set(artworkIds)] },
      raw: true,
    });
    return new Map(rows.map(({ id, rights }) => [id, rights]));
  }

  async rightsOf(artworkId: string | null): Promise<ShelfPacket['rights']> {
    return (artworkId === null ? undefined : (await this.rights([artworkId])).get(artworkId)) ?? 'unasked';
  }

  /** The newest artwork of a name. */
  async artworkNamed(name: string): Promise<string | null> {
    const row = await this.db.models.artworks.findOne({
      attributes: ['id'],
      where: { name },
      order: [['createdAt', 'desc']], // prettier-ignore
      raw: true,
    });
    return row?.id ?? null;
  }

  /** Lines not on the floor yet whose print is this artwork at this size, soonest due first. */
  async linesFor({ row: { artworkId }, material }: WholePacket): Promise<Omit<ShelfLine, 'kept'>[]> {
    if (artworkId === null) return [];
    const prints = await this.db.models.prints.findAll({
      where: { artworkId },
      include: {
        association: 'line',
        required: true,
        where: {
          removedAt: null,
          routeNumber: { [Op.ne]: null },
          state: ['ready', 'art-to-mend', 'failed', 'planning'],
        },
        include: [
          { association: 'order', required: true, where: { cancelledAt: null }, include: ['customer'] },
          { association: 'quantities', separate: true },
        ],
      },
      order: [['line', 'order', 'dueAt', 'asc']], // prettier-ignore
      limit: MOST_LINES,
      subQuery: false,
    });
    const routes = await this.routesOf(prints.flatMap(({ line }) => line ?? []));
    const found: Omit<ShelfLine, 'kept'>[] = [];
    for (const { id: print, process, line } of prints) {
      const route = line && routes.get(line.id);
      if (!line?.order || !route) continue;
      const isOfSize = route.prints
        .find((own) => own.id === print)
        ?.placement.sizes.every(({ widthMm }) => isShelfSize(Number(material.properties.widthMm), widthMm));
      if (!isOfSize || !route.usesBlanks) continue; // what is made for the shelf wants none of it
      const pieces = (line.quantities ?? []).reduce((sum, { quantity }) => sum + quantity, 0);
      found.push({ ...toNamed(line), dueAt: line.order.dueAt.toISOString(), print, process, pieces });
    }
    return found;
  }

  /**
   * Lines that have printed, or are to print, this artwork on film: how many transfers are on their way to the shelf at
   * this width, as it comes out on film, and the line and size that was taken in last.
   */
  async printedLike(artworkId: string | null, widthMm: number): Promise<Pick<ShelfWish, 'coming' | 'like'>> {
    const prints = artworkId === null ? [] : await this.printsOf(artworkId);
    const routes = await this.routesOf(prints.flatMap(({ line }) => line ?? []));
    let coming = 0;
    let like: ShelfWish['like'] = null;
    for (const { id: print, line } of prints) {
      if (!line) continue;
      const planned = routes.get(line.id)?.prints.find((own) => own.id === print)?.placement.sizes;
      const isOfSize = (size: string): boolean =>
        planned?.some((own) => own.size === size && isShelfSize(widthMm, own.widthMm)) ?? false;
      const quantities = line.quantities ?? [];
      const own = quantities.find(({ size }) => isOfSize(size));
      if (own) like ??= { orderId: line.orderId, lineId: line.id, code: line.code, print, size: own.size };
      if (line.house.filmUse !== 'stock' || line.state === 'done') continue;
      for (const { size, quantity } of quantities) if (!planned || isOfSize(size)) coming += quantity;
    }
    return { coming, like };
  }

  /** Prints of an artwork on film of lines that are or were wanted, the newest order first. */
  private printsOf(artworkId: string): Promise<PrintRow[]> {
    return this.db.models.prints.findAll({
      where: { artworkId, process: [...ON_FILM] },
      include: {
        association: 'line',
        required: true,
        where: { removedAt: null },
        include: [
          { association: 'order', required: true, where: { cancelledAt: null } },
          { association: 'quantities', separate: true },
        ],
      },
      order: [['line', 'order', 'createdAt', 'desc']], // prettier-ignore
      limit: MOST_LINES,
      subQuery: false,
    });
  }

  /** The routes of lines that are planned. */
  private async routesOf(
    lines: readonly Pick<LineRow, 'id' | 'routeNumber'>[],
  ): Promise<Map<string, Pick<Route, 'prints' | 'usesBlanks'>>> {
    const wanted = lines.flatMap(({ id, routeNumber }) =>
      routeNumber === null ? [] : [{ lineId: id, number: routeNumber }],
    );
    if (wanted.length === 0) return new Map();
    const versions = await this.db.models.routes.findAll({
      attributes: ['lineId', 'format', 'document', 'cost'],
      where: { [Op.or]: wanted },
      raw: true,
    });
    return new Map(
      versions.map(({ lineId, format, document, cost }) => [
        lineId,
        readStoredRoute(format, { route: document, cost }).route,
      ]),
    );
  }

  /** All that became of a packet, newest first. */
  async history({ moves, uses }: WholePacket): Promise<History> {
    const lines = await this.named([...moves.flatMap(({ lineId }) => lineId ?? []), ...uses.map(({ lineId }) => lineId)]); // prettier-ignore
    const codeOf = (lineId: string | null): string | null =>
      (lineId === null ? undefined : lines.get(lineId)?.code) ?? null;
    return [
      ...moves.map(({ at, byName, kind, change, hold, lineId, why, rights }) => ({
        at: at.toISOString(),
        by: byName,
        kind,
        pieces: change + hold,
        line: codeOf(lineId),
        why,
        rights,
      })),
      ...uses.map(({ at, pieces, taken, lineId }) => ({
        at: at.toISOString(),
        by: '',
        kind: taken > 0 ? ('taken' as const) : ('floor' as const),
        pieces: -(taken > 0 ? taken : pieces),
        line: codeOf(lineId),
        why: '',
        rights: null,
      })),
    ].sort((p, q) => q.at.localeCompare(p.at));
  }
}

const toNamed = ({ id: lineId, orderId, code, order }: LineRow): Named => ({
  lineId,
  orderId,
  code,
  customer: order?.customer?.name ?? '',
});
