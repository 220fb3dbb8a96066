import { randomUUID } from 'node:crypto';
import { standingOf } from '@saltflat/core/shelf';
import type { PacketStanding, StandingPacket } from '@saltflat/core/shelf';
import type { CreationAttributes, WhereOptions } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { MaterialRow, MoveRow, PacketRow, UseRow } from '../../db/models/index.ts';

/** A packet with its kind, and what was done with it. */
export interface WholePacket {
  row: PacketRow;
  material: MaterialRow;
  moves: MoveRow[];
  uses: UseRow[];
  standing: PacketStanding;
}

/** What a print of a line in a run takes, by its name there. */
export type UseOf = Pick<UseRow, 'runId' | 'lineKey' | 'print' | 'lineId'>;

const ALL_OF_IT = ['material', 'moves', 'uses'];
const BY_KIND = [['material', 'name', 'asc'], ['madeAt', 'asc'], ['number', 'asc']] as [string, string][]; // prettier-ignore
/** Packets that are listed: more than shelves hold. */
export const MOST_PACKETS = 500;

/** Packets of transfers, what was done with them by hand, and what runs take. */
export class ShelfStore {
  constructor(private readonly db: Database) {}

  /** @param all empty ones too */
  async list(all: boolean): Promise<{ packets: WholePacket[]; isMore: boolean }> {
    const packets = await this.read(all ? {} : { isEmpty: false }, { limit: MOST_PACKETS + 1 });
    return { packets: packets.slice(0, MOST_PACKETS), isMore: packets.length > MOST_PACKETS };
  }

  async find(id: string, tx?: Tx): Promise<WholePacket | undefined> {
    return (await this.read({ id }, { tx }))[0];
  }

  /** Packets of one kind that are not empty. */
  async ofKind(materialId: string): Promise<WholePacket[]> {
    return this.read({ materialId, isEmpty: false });
  }

  async byIds(ids: readonly string[]): Promise<WholePacket[]> {
    return this.read({ id: [...ids] });
  }

  /** Packets of one kind, held until the transaction ends: nobody else gives them out meanwhile. */
  async lockKind(materialId: string, tx: Tx): Promise<WholePacket[]> {
    await this.db.models.shelfPackets.findAll({
      attributes: ['id'],
      where: { materialId },
      order: [['id', 'asc']], // prettier-ignore
      lock: tx.LOCK.UPDATE,
      transaction: tx,
    });
    return this.read({ materialId }, { tx });
  }

  /** What nobody has claim to of each kind that was ever kept in packets, and what is kept for a line, by material. */
  async stock(lineId: string | null = null): Promise<Map<string, number>> {
    const kinds = await this.db.models.shelfPackets.findAll({
      attributes: ['materialId'],
      group: ['materialId'],
      raw: true,
    });
    const counts = new Map(kinds.map(({ materialId }) => [materialId, 0]));
    for (const { row, standing } of await this.read({ isEmpty: false })) {
      const own = standing.reserved.find((kept) => kept.lineId === lineId)?.pieces ?? 0;
      counts.set(row.materialId, (counts.get(row.materialId) ?? 0) + standing.free + own);
    }
    return counts;
  }

  async insert(
    packet: Omit<CreationAttributes<PacketRow>, 'id' | 'number' | 'isEmpty'>,
    tx: Tx,
  ): Promise<string> {
    const id = randomUUID();
    await this.db.models.shelfPackets.create(
      { ...packet, id, isEmpty: packet.pieces === 0 },
      { transaction: tx },
    );
    return id;
  }

  /** What a run has made, packet by packet. */
  async madeBy(runId: string, tx?: Tx): Promise<WholePacket[]> {
    return this.read({ runId }, { tx });
  }

  async noteMade(
    id: string,
    { pieces, madeAt }: Pick<PacketRow, 'pieces' | 'madeAt'>,
    tx: Tx,
  ): Promise<void> {
    await this.db.models.shelfPackets.update({ pieces, madeAt }, { where: { id }, transaction: tx });
    await this.noteEmpty([id], tx);
  }

  async insertMove(move: Omit<CreationAttributes<MoveRow>, 'id'>, tx: Tx): Promise<void> {
    await this.db.models.shelfMoves.create({ ...move, id: randomUUID() }, { transaction: tx });
    await this.noteEmpty([move.packetId], tx);
  }

  /** Uses of a run, with the packets they are out of. */
  async usesOf(runId: string, tx?: Tx): Promise<UseRow[]> {
    return this.db.models.shelfUses.findAll({
      where: { runId },
      include: [{ association: 'packet', include: ['material'] }],
      order: [['lineKey', 'asc'], ['print', 'asc'], ['packet', 'madeAt', 'asc']], // prettier-ignore
      transaction: tx ?? null,
    });
  }

  /** Writes what a run takes out of each packet; nothing of it where it takes none any more. */
  async writeUses(
    use: UseOf,
    uses: readonly { packetId: string; pieces: number; taken: number }[],
    at: Date,
    tx: Tx,
  ): Promise<void> {
    const { shelfUses } = this.db.models;
    for (const { packetId, pieces, taken } of uses) {
      const { lineId, ...key } = use;
      const where = { ...key, packetId };
      if (pieces === 0) await shelfUses.destroy({ where, transaction: tx });
      else await shelfUses.upsert({ ...where, lineId, pieces, taken, at }, { transaction: tx });
    }
    await this.noteEmpty(
      uses.map(({ packetId }) => packetId),
      tx,
    );
  }

  private async noteEmpty(ids: readonly string[], tx: Tx): Promise<void> {
    for (const { row, standing } of await this.read({ id: [...ids] }, { tx })) {
      const isEmpty = standing.left === 0 && standing.onFloor === 0 && standing.reserved.length === 0;
      if (isEmpty !== row.isEmpty) await row.update({ isEmpty }, { transaction: tx });
    }
  }

  private async read(
    where: WhereOptions<PacketRow>,
    { limit, tx }: { limit?: number; tx?: Tx | undefined } = {},
  ): Promise<WholePacket[]> {
    const rows = await this.db.models.shelfPackets.findAll({
      where,
      include: ALL_OF_IT.map((association) => ({
        association,
        ...(association === 'material' ? {} : { separate: true }),
      })),
      order: BY_KIND,
      ...(limit === undefined ? {} : { limit }),
      transaction: tx ?? null,
    });
    const over = await this.linesOver(
      rows.flatMap(({ moves = [] }) => moves),
      tx,
    );
    return rows.flatMap((row) => {
      const { material, moves = [], uses = [], pieces } = row;
      const promised = moves.map(({ change, hold, lineId }) => ({
        change,
        hold: lineId !== null && over.has(lineId) ? 0 : hold,
        lineId,
      }));
      const standing = standingOf({ pieces, moves: promised, uses });
      return material ? [{ row, material, moves, uses, standing }] : [];
    });
  }

  /** Of lines that something was promised to, those that want it no more: taken off, cancelled, made. */
  private async linesOver(moves: readonly MoveRow[], tx?: Tx): Promise<ReadonlySet<string>> {
    const ids = new Set(moves.flatMap(({ lineId, hold }) => (hold !== 0 && lineId !== null ? [lineId] : [])));
    if (ids.size === 0) return new Set();
    const rows = await this.db.models.lines.findAll({
      attributes: ['id', 'state', 'removedAt'],
      where: { id: [...ids] },
      include: { association: 'order', attributes: ['cancelledAt'] },
      transaction: tx ?? null,
    });
    return new Set(
      rows.flatMap(({ id, state, removedAt, order }) =>
        state === 'done' || removedAt !== null || order?.cancelledAt != null ? [id] : [],
      ),
    );
  }
}

/** A packet as it is taken from. */
export const asStanding = ({ row, standing }: WholePacket): StandingPacket => ({
  id: row.id,
  madeMs: row.madeAt.getTime(),
  free: standing.free,
  reserved: standing.reserved,
});
