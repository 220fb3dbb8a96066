import { readStoredRoute } from '@saltflat/contract';
import type { ShelfLine, ShelfPacket, ShelfPacketWhole, ShelfWish } from '@saltflat/contract';
import { ON_FILM, isShelfSize } from '@saltflat/core/route';
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
    const wanted = prints.flatMap(({ line }) =>
      line?.routeNumber == null ? [] : [{ lineId: line.id, number: line.routeNumber }],
    );
    if (wanted.length === 0) return [];
    const versions = await this.db.models.routes.findAll({
      attributes: ['lineId', 'format', 'document', 'cost'],
      where: { [Op.or]: wanted },
      raw: true,
    });
    const found: Omit<ShelfLine, 'kept'>[] = [];
    for (const { id: print, process, line } of prints) {
      const version = versions.find(({ lineId }) => lineId === line?.id);
      if (!line?.order || !version) continue;
      const { route } = readStoredRoute(version.format, { route: version.document, cost: version.cost });
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
   * this width, and the line that was taken in last.
   */
  async printedLike(artworkId: string | null, widthMm: number): Promise<Pick<ShelfWish, 'coming' | 'like'>> {
    if (artworkId === null) return { coming: 0, like: null };
    const prints = await this.db.models.prints.findAll({
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
    const isOfSize = (own: PrintRow): boolean => isShelfSize(widthMm, own.widthMm) && own.grades.length === 0;
    const coming = prints
      .filter((own) => isOfSize(own) && own.line?.state !== 'done' && own.line?.house.filmUse === 'stock')
      .flatMap(({ line }) => line?.quantities ?? [])
      .reduce((sum, { quantity }) => sum + quantity, 0);
    const last = prints.find(isOfSize) ?? prints[0];
    return {
      coming,
      like: last?.line
        ? { orderId: last.line.orderId, lineId: last.line.id, code: last.line.code, print: last.id }
        : null,
    };
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
