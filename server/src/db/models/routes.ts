import { QUOTE_STATES } from '@saltflat/contract';
import type {
  GivenQuote,
  PlanInput,
  ProofAnswer,
  QuoteDocument,
  SettingOverride,
  SourceChoice,
} from '@saltflat/contract';
import type { PieceCost } from '@saltflat/core/cost';
import type { Route } from '@saltflat/core/route';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import { TABLE, columns, instant, integer, json, key, oneOf, orNull, text, uuid } from './columns.ts';
import type { FactsRow } from './setUp.ts';

/** A version of a line's route: written once, never changed. */
export interface RouteRow extends Model<InferAttributes<RouteRow>, InferCreationAttributes<RouteRow>> {
  id: string;
  lineId: string;
  number: number;
  /** The line's generation it was planned for. */
  generation: number;
  /** Of `document` and `cost`. */
  format: number;
  /** By {@link processKey}. */
  processes: string;
  document: Route;
  cost: PieceCost;
  overrides: SettingOverride[];
  sources: SourceChoice[];
  pieces: number;
  /** What it was planned from; versions from before that was kept have none. */
  input: PlanInput | null;
  factsSha256: string | null;
  createdAt: Date;
  facts?: NonAttribute<FactsRow | null>;
}

export const defineRoute = (sequelize: Sequelize) =>
  sequelize.define<RouteRow>(
    'route_version',
    columns({
      id: key,
      lineId: uuid,
      number: integer,
      generation: integer,
      format: integer,
      processes: text,
      document: json,
      cost: json,
      overrides: json,
      sources: json,
      pieces: integer,
      input: orNull(json),
      factsSha256: { ...orNull(text), field: 'facts_sha256' },
      createdAt: instant,
    }),
    TABLE,
  );

/** A quote that left the house. */
export interface QuoteRow extends Model<InferAttributes<QuoteRow>, InferCreationAttributes<QuoteRow>> {
  id: string;
  orderId: string;
  number: CreationOptional<number>;
  state: GivenQuote['state'];
  givenAt: Date;
  goodUntil: Date;
  givenBy: string;
  acceptedAt: Date | null;
  acceptedBy: string | null;
  document: QuoteDocument;
}

export const defineQuote = (sequelize: Sequelize) =>
  sequelize.define<QuoteRow>(
    'quote',
    columns({
      id: key,
      orderId: uuid,
      number: integer,
      state: oneOf(QUOTE_STATES),
      givenAt: instant,
      goodUntil: instant,
      givenBy: text,
      acceptedAt: orNull(instant),
      acceptedBy: orNull(text),
      document: json,
    }),
    TABLE,
  );

/** What a customer said to a proof: written once, never changed. */
export interface ProofAnswerRow extends Model<
  InferAttributes<ProofAnswerRow>,
  InferCreationAttributes<ProofAnswerRow>
> {
  id: string;
  lineId: string;
  routeVersionId: string | null;
  verdict: ProofAnswer['verdict'];
  customerName: string;
  note: string;
  byName: string;
  at: Date;
  version?: NonAttribute<RouteRow | null>;
}

export const defineProofAnswer = (sequelize: Sequelize) =>
  sequelize.define<ProofAnswerRow>(
    'proof_answer',
    columns({
      id: key,
      lineId: uuid,
      routeVersionId: orNull(uuid),
      verdict: text,
      customerName: text,
      note: text,
      byName: text,
      at: instant,
    }),
    TABLE,
  );
