import { LINE_STATES, ORDER_STATES } from '@saltflat/contract';
import type { ArtOverrule, LinePrint, Order, OrderLine, OrderSummary } from '@saltflat/contract';
import { PROCESSES } from '@saltflat/core/route';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import type { ArtworkRow, PreparationRow } from './artworks.ts';
import {
  TABLE,
  columns,
  decimal,
  instant,
  integer,
  json,
  key,
  oneOf,
  orNull,
  text,
  texts,
  uuid,
  version,
} from './columns.ts';
import type { CustomerRow } from './customers.ts';
import type { ColourRow } from './garments.ts';

export interface OrderRow extends Model<InferAttributes<OrderRow>, InferCreationAttributes<OrderRow>> {
  id: string;
  number: number;
  code: string;
  customerId: string;
  /** The customer's name in small letters: what lists are sorted by. */
  customerKey: string;
  dueAt: Date;
  note: string;
  state: Order['state'];
  version: CreationOptional<number>;
  createdAt: Date;
  cancelledAt: Date | null;
  /** How many line codes were given out: none is given twice. */
  linesGiven: CreationOptional<number>;
  /** What lists show and search of the lines, kept up with them. */
  pieces: CreationOptional<number>;
  processes: CreationOptional<OrderSummary['processes']>;
  garments: CreationOptional<string[]>;
  searchText: CreationOptional<string>;
  spark: OrderSummary['spark'] | null;
  customer?: NonAttribute<CustomerRow>;
}

export const defineOrder = (sequelize: Sequelize) =>
  sequelize.define<OrderRow>(
    'customer_order',
    columns({
      id: key,
      number: integer,
      code: text,
      customerId: uuid,
      customerKey: text,
      dueAt: instant,
      note: text,
      state: oneOf(ORDER_STATES),
      version,
      createdAt: instant,
      cancelledAt: orNull(instant),
      linesGiven: { ...integer, defaultValue: 0 },
      pieces: { ...integer, defaultValue: 0 },
      processes: { ...texts, defaultValue: [] },
      garments: { ...texts, defaultValue: [] },
      searchText: { ...text, defaultValue: '' },
      spark: orNull(json),
    }),
    TABLE,
  );

export interface LineRow extends Model<InferAttributes<LineRow>, InferCreationAttributes<LineRow>> {
  id: string;
  orderId: string;
  /** Given once, kept for ever: it is printed under bar codes. */
  code: string;
  position: number;
  colourId: string;
  house: OrderLine['house'];
  /** How many names of prints were given out: none is given twice. */
  printsGiven: number;
  state: OrderLine['state'];
  planProblem: string | null;
  /** Counted up whenever what was planned is no longer what is wanted. */
  generation: CreationOptional<number>;
  /** The route it is made by; nothing while there is none for this generation. */
  routeNumber: number | null;
  /** When planning was last asked for, and how often it was begun for this generation. */
  planAskedAt: Date | null;
  planAttempts: CreationOptional<number>;
  /** The change of the set-up it is planned anew for. */
  planChangeId: string | null;
  /** Who has the art printed though something stops it, and why. */
  artOverrule: ArtOverrule | null;
  removedAt: Date | null;
  order?: NonAttribute<OrderRow>;
  colour?: NonAttribute<ColourRow>;
  prints?: NonAttribute<PrintRow[]>;
  quantities?: NonAttribute<LineSizeRow[]>;
}

export const defineLine = (sequelize: Sequelize) =>
  sequelize.define<LineRow>(
    'order_line',
    columns({
      id: key,
      orderId: uuid,
      code: text,
      position: integer,
      colourId: uuid,
      house: json,
      printsGiven: integer,
      state: oneOf(LINE_STATES),
      planProblem: orNull(text),
      generation: { ...integer, defaultValue: 1 },
      routeNumber: orNull(integer),
      planAskedAt: orNull(instant),
      planAttempts: { ...integer, defaultValue: 0 },
      planChangeId: orNull(uuid),
      artOverrule: orNull(json),
      removedAt: orNull(instant),
    }),
    TABLE,
  );

/** One print of a line: what is printed where, and how. */
export interface PrintRow extends Model<InferAttributes<PrintRow>, InferCreationAttributes<PrintRow>> {
  lineId: string;
  /** Its name within the line. */
  id: string;
  position: number;
  artworkId: string | null;
  preparationId: string | null;
  placement: LinePrint['placement'];
  dropMm: number;
  widthMm: number;
  process: LinePrint['process'];
  grades: LinePrint['grades'];
  /** What stood out in its art when it was last planned. */
  findings: LinePrint['findings'];
  artwork?: NonAttribute<ArtworkRow | null>;
  preparation?: NonAttribute<PreparationRow | null>;
  line?: NonAttribute<LineRow>;
}

export const definePrint = (sequelize: Sequelize) =>
  sequelize.define<PrintRow>(
    'line_print',
    columns({
      lineId: { ...uuid, primaryKey: true },
      id: { ...text, primaryKey: true },
      position: integer,
      artworkId: orNull(uuid),
      preparationId: orNull(uuid),
      placement: text,
      dropMm: decimal,
      widthMm: decimal,
      process: oneOf(PROCESSES),
      grades: json,
      findings: json,
    }),
    TABLE,
  );

export interface LineSizeRow extends Model<
  InferAttributes<LineSizeRow>,
  InferCreationAttributes<LineSizeRow>
> {
  lineId: string;
  size: string;
  quantity: number;
}

export const defineLineSize = (sequelize: Sequelize) =>
  sequelize.define<LineSizeRow>(
    'order_line_size',
    columns({
      lineId: { ...uuid, primaryKey: true },
      size: { ...text, primaryKey: true },
      quantity: integer,
    }),
    TABLE,
  );
