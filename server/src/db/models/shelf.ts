import { ORIGINS, RIGHTS, SHELF_MOVES } from '@saltflat/contract';
import type { ShelfMove, ShelfPacket } from '@saltflat/contract';
import { CURES } from '@saltflat/core/shelf';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import { TABLE, columns, flag, instant, integer, json, key, oneOf, orNull, text, uuid } from './columns.ts';
import type { MaterialRow } from './setUp.ts';

/** Transfers that were made, or came, together. What a run made is followed as it goes; the rest is written once. */
export interface PacketRow extends Model<InferAttributes<PacketRow>, InferCreationAttributes<PacketRow>> {
  id: string;
  /** Counts up; the database gives it. */
  number: CreationOptional<number>;
  materialId: string;
  artworkId: string | null;
  origin: ShelfPacket['origin'];
  /** The run, its line and print that made it. */
  runId: string | null;
  lineKey: string | null;
  print: string | null;
  /** Spares of a run that no piece needed; put away by hand. */
  isLeftOver: CreationOptional<boolean>;
  madeAt: Date;
  byName: string;
  cure: ShelfPacket['cure'];
  lots: ShelfPacket['lots'];
  note: string;
  pieces: number;
  /** Nothing lies in it and nothing is owed: kept beside what says so, for the list. */
  isEmpty: boolean;
  material?: NonAttribute<MaterialRow>;
  moves?: NonAttribute<MoveRow[]>;
  uses?: NonAttribute<UseRow[]>;
}

export const definePacket = (sequelize: Sequelize) =>
  sequelize.define<PacketRow>(
    'shelf_packet',
    columns({
      id: key,
      number: { ...integer, autoIncrement: true },
      materialId: uuid,
      artworkId: orNull(uuid),
      origin: oneOf(ORIGINS),
      runId: orNull(uuid),
      lineKey: orNull(text),
      print: orNull(text),
      isLeftOver: { ...flag, defaultValue: false },
      madeAt: instant,
      byName: text,
      cure: oneOf(CURES),
      lots: json,
      note: text,
      pieces: integer,
      isEmpty: flag,
    }),
    TABLE,
  );

/** What was done with a packet by hand: written once. */
export interface MoveRow extends Model<InferAttributes<MoveRow>, InferCreationAttributes<MoveRow>> {
  id: string;
  packetId: string;
  kind: ShelfMove;
  change: number;
  hold: number;
  lineId: string | null;
  why: string;
  rights: ShelfPacket['rights'] | null;
  byName: string;
  at: Date;
}

export const defineMove = (sequelize: Sequelize) =>
  sequelize.define<MoveRow>(
    'shelf_move',
    columns({
      id: key,
      packetId: uuid,
      kind: oneOf(SHELF_MOVES),
      change: integer,
      hold: integer,
      lineId: orNull(uuid),
      why: text,
      rights: orNull(oneOf(RIGHTS)),
      byName: text,
      at: instant,
    }),
    TABLE,
  );

/** What a print of a line on the floor takes out of a packet: follows the run. */
export interface UseRow extends Model<InferAttributes<UseRow>, InferCreationAttributes<UseRow>> {
  packetId: string;
  runId: string;
  lineKey: string;
  print: string;
  lineId: string;
  pieces: number;
  taken: number;
  at: Date;
  packet?: NonAttribute<PacketRow>;
}

export const defineUse = (sequelize: Sequelize) =>
  sequelize.define<UseRow>(
    'shelf_use',
    columns({
      packetId: key,
      runId: key,
      lineKey: { ...text, primaryKey: true },
      print: { ...text, primaryKey: true },
      lineId: uuid,
      pieces: integer,
      taken: integer,
      at: instant,
    }),
    TABLE,
  );
