import { DomainError, TransferSheet, refused } from '@saltflat/contract';
import type {
  BoughtPacketInput,
  Material,
  MaterialInput,
  Shelf,
  ShelfMoveInput,
  ShelfPacket,
  ShelfPacketInput,
  ShelfPacketWhole,
  ShelfUses,
} from '@saltflat/contract';
import { USUAL_KEEPS_DAYS } from '@saltflat/core/shelf';
import type { Tx } from '../../db/connection.ts';
import { kindName } from './kindName.ts';
import { movesOf } from './movesOf.ts';
import type { ShelfReads } from './shelfReads.ts';
import { asStanding } from './shelfStore.ts';
import type { ShelfStore, WholePacket } from './shelfStore.ts';

interface Needs {
  store: ShelfStore;
  reads: ShelfReads;
  findMaterial: (id: string) => Promise<Material | undefined>;
  /** A kind of transfer by its name. */
  findKind: (name: string) => Promise<Material | undefined>;
  addKind: (record: MaterialInput, tx: Tx) => Promise<string>;
  /** Writes what routes go by, and has those nobody has begun follow. */
  follow: <T>(write: (tx: Tx) => Promise<T>) => Promise<T>;
  now: () => number;
}

/** Transfers that lie ready: what came, what is kept for whom, what went. */
export class ShelfService {
  constructor(private readonly needs: Needs) {}

  async list(all: boolean): Promise<Shelf> {
    const { packets, isMore } = await this.needs.store.list(all);
    return { packets: await this.told(packets), isMore };
  }

  async get(id: string): Promise<ShelfPacketWhole> {
    const found = (await this.needs.store.find(id)) ?? missing(id);
    const { store, reads } = this.needs;
    const [packet = missing(id)] = await this.told([found]);
    const ofKind = await store.ofKind(found.row.materialId);
    const kept = (lineId: string): number =>
      ofKind
        .flatMap(({ standing }) => standing.reserved)
        .reduce((sum, own) => sum + (own.lineId === lineId ? own.pieces : 0), 0);
    return {
      packet,
      freeOfKind: ofKind.reduce((sum, { standing }) => sum + Math.max(0, standing.free), 0),
      history: await reads.history(found),
      lines: (await reads.linesFor(found)).map((line) => ({ ...line, kept: kept(line.lineId) })),
    };
  }

  async many(ids: readonly string[]): Promise<ShelfPacket[]> {
    const packets = await this.told(await this.needs.store.byIds(ids));
    const gone = ids.find((id) => !packets.some((own) => own.id === id));
    return gone === undefined ? packets : missing(gone);
  }

  /** What a run takes off the shelf. */
  async usesOf(runId: string): Promise<ShelfUses> {
    const { store } = this.needs;
    const [rows, made] = await Promise.all([store.usesOf(runId), store.madeBy(runId)]);
    return {
      leftOver: made
        .filter(({ row }) => row.isLeftOver)
        .map(({ row: { id, number, pieces } }) => ({ id, code: packetCode(number), pieces })),
      uses: rows.flatMap(({ lineKey, print, pieces, taken, packet }) =>
        packet?.material
          ? [
              {
                ...{ lineKey, print, pieces, taken },
                code: packetCode(packet.number),
                name: packet.material.name,
                madeAt: packet.madeAt.toISOString(),
                cure: packet.cure,
                keepsDays: keepsDays(packet.material),
              },
            ]
          : [],
      ),
    };
  }

  /** A packet of a kind that is known, made or bought some time. */
  async enter(input: ShelfPacketInput): Promise<ShelfPacketWhole> {
    const { needs } = this;
    const kind = await needs.findMaterial(input.materialId);
    if (kind?.kind !== 'shelf-transfer')
      throw refused('/materialId', 'Kind of transfer: choose one that is among the shop’s materials.');
    const artworkId = await needs.reads.artworkNamed(String(kind.properties.artwork));
    return this.entered(input, () => Promise.resolve({ materialId: kind.id, artworkId, origin: 'found' }));
  }

  /** A packet of what a supplier made: its kind is written down with that supplier’s instructions, once. */
  async enterBought(input: BoughtPacketInput): Promise<ShelfPacketWhole> {
    const { needs } = this;
    const supplier = await needs.findMaterial(input.supplierId);
    if (supplier?.kind !== 'bought-in')
      throw refused('/supplierId', 'Supplier: choose one of the shop’s bought-in transfers.');
    const artwork = input.artwork.trim();
    const artworkId = await needs.reads.artworkNamed(artwork);
    if (artworkId === null)
      throw refused(
        '/artwork',
        `Artwork: none here is called “${artwork}”. Write its name as under Artwork, its ending too.`,
      );
    const { isTrimmed: _cut, minimum: _least, leadDays: _wait, centsPerM2: _rate, ...instructions } = supplier.properties; // prettier-ignore
    const record: MaterialInput = {
      kind: 'shelf-transfer',
      name: kindName(artwork, input.widthMm, supplier.name),
      maker: supplier.maker,
      lot: '',
      stock: null,
      stockUnit: 'pieces',
      properties: {
        ...instructions,
        artwork,
        widthMm: input.widthMm,
        keepAtLeast: 0,
        centsEach: input.centsEach,
      },
    };
    const known = await needs.findKind(record.name);
    return this.entered(input, async (tx) => ({
      materialId: known?.id ?? (await needs.addKind(record, tx)),
      artworkId,
      origin: 'bought',
    }));
  }

  /** What a person does: keeps transfers for a line, frees them, sells, throws away, counts. */
  async move(id: string, input: ShelfMoveInput): Promise<ShelfPacketWhole> {
    const { store, reads, follow, now } = this.needs;
    const seen = (await store.find(id)) ?? missing(id);
    const lines = input.kind === 'reserved' ? await reads.linesFor(seen) : [];
    const rights = await reads.rightsOf(seen.row.artworkId);
    await follow(async (tx) => {
      const packets = await store.lockKind(seen.row.materialId, tx);
      const packet = packets.find(({ row }) => row.id === id) ?? missing(id);
      const moves = movesOf({ id, standing: packet.standing }, input, {
        lines,
        rights,
        ofKind: packets.map(asStanding),
      });
      for (const move of moves)
        await store.insertMove(
          {
            ...move,
            kind: input.kind,
            lineId: input.lineId,
            why: input.why.trim(),
            rights: input.kind === 'sold' ? rights : null,
            byName: input.by,
            at: new Date(now()),
          },
          tx,
        );
    });
    return this.get(id);
  }

  private async entered(
    input: Pick<ShelfPacketInput, 'pieces' | 'madeAt' | 'cure' | 'lot' | 'note' | 'by'>,
    kindOf: (tx: Tx) => Promise<Pick<WholePacket['row'], 'materialId' | 'artworkId' | 'origin'>>,
  ): Promise<ShelfPacketWhole> {
    const { store, follow, now } = this.needs;
    const madeAt = new Date(input.madeAt);
    if (madeAt.getTime() > now())
      throw refused(
        '/madeAt',
        'Made or came on: that day has not come yet. Say when they were made or came.',
      );
    const id = await follow(async (tx) => {
      const kind = await kindOf(tx);
      const lot = input.lot.trim();
      return store.insert(
        {
          ...kind,
          runId: null,
          lineKey: null,
          print: null,
          madeAt,
          byName: input.by,
          cure: input.cure,
          lots: lot === '' ? [] : [{ material: 'Transfers', lot }],
          note: input.note.trim(),
          pieces: input.pieces,
        },
        tx,
      );
    });
    return this.get(id);
  }

  private async told(packets: readonly WholePacket[]): Promise<ShelfPacket[]> {
    const { reads } = this.needs;
    const [lines, rights] = await Promise.all([
      reads.named(packets.flatMap(({ standing }) => standing.reserved.map(({ lineId }) => lineId))),
      reads.rights(packets.flatMap(({ row }) => row.artworkId ?? [])),
    ]);
    return packets.map(({ row, material, standing }) => {
      const { id, materialId, artworkId, origin, runId, cure, lots, note, pieces } = row;
      const { artwork, widthMm, centsEach } = material.properties;
      return {
        ...{ id, materialId, artworkId, origin, runId, cure, lots, note, pieces },
        code: packetCode(row.number),
        name: material.name,
        artwork: String(artwork),
        widthMm: Number(widthMm),
        instructions: sheetOf(material),
        keepsDays: keepsDays(material),
        centsEach: Number(centsEach),
        madeAt: row.madeAt.toISOString(),
        by: row.byName,
        left: standing.left,
        onFloor: standing.onFloor,
        reserved: standing.reserved.flatMap(({ lineId, pieces: kept }) => {
          const line = lines.get(lineId);
          return line ? [{ ...line, pieces: kept }] : [];
        }),
        free: standing.free,
        rights: (artworkId === null ? null : rights.get(artworkId)) ?? 'unasked',
      };
    });
  }
}

export const packetCode = (number: number): string => `P-${number}`;

/** The instructions that came with a kind, out of its record. */
const sheetOf = ({ properties }: WholePacket['material']): TransferSheet =>
  Object.fromEntries(
    Object.keys(TransferSheet.properties).map((key) => [key, properties[key]]),
  ) as TransferSheet; // it was checked as a record

const keepsDays = ({ properties }: WholePacket['material']): number =>
  Number(properties.keepsDays ?? USUAL_KEEPS_DAYS);

function missing(id: string): never {
  throw new DomainError('not-found', `There is no packet ${id.slice(0, 8)} on the shelf.`);
}
