import type { ArtJob } from '@saltflat/core/artwork';
import { Type } from 'typebox';
import { ArtSteps } from './artworkJob.ts';
import { formatOf, upgrade } from './formats/upgrade.ts';
import type { FormatChain, Older, Upgrade } from './formats/upgrade.ts';
import { LineDocument } from './lineDocument.ts';
import { Id, PrintId, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const { materials, machines, patch, ...own } = LineDocument.properties;

/** The catalogue's facts a route was planned with. Many routes are planned with the same ones: they are kept once, by their content. */
export const ShopFacts = strictObject({ format: Type.Literal(1), materials, machines, patch });
export type ShopFacts = Static<typeof ShopFacts>;

const Numbers = Type.Record(Type.String(), Type.Unknown());
const KeptJob = Type.Unsafe<ArtJob>(
  strictObject({
    widthMm: Type.Number(),
    garment: Type.String(),
    process: Type.Enum(['dtf', 'dtg-dark', 'dtg-light', 'sub']),
    steps: Type.Optional(ArtSteps),
    underbase: Type.Optional(Numbers),
    laydown: Type.Optional(Numbers),
    separation: Type.Optional(Numbers),
  }),
);

/** Everything else a route was planned from, kept with its version: the line, and how its art was measured. */
export const PlanInput = strictObject({
  format: Type.Literal(2),
  /** Of the planner that made the route. */
  planner: Type.Integer(),
  line: strictObject(own),
  /** For each print; `analysis`: of the program that measured the art. */
  art: Type.Array(strictObject({ print: PrintId, artworkId: Id, analysis: Type.Integer(), job: KeptJob }), {
    minItems: 1,
  }),
});
export type PlanInput = Static<typeof PlanInput>;

/** Takes a line document apart into what is its own and what is the shop's. */
export function takeApart({ materials: held, machines: ran, patch: sewn, ...line }: LineDocument): {
  line: PlanInput['line'];
  facts: ShopFacts;
} {
  return { line, facts: { format: 1, materials: held, machines: ran, patch: sewn } };
}

/** Puts it together again. */
export const putTogether = (
  line: PlanInput['line'],
  { materials: held, machines: ran, patch: sewn }: ShopFacts,
): LineDocument => ({ ...line, materials: held, machines: ran, patch: sewn });

/** How the art of one print was measured for a route. */
export type PrintArt = PlanInput['art'][number];

/** Format 2 has several prints; what was kept until then had one. */
const severalPrints: Upgrade = ({ art, ...kept }) => ({
  ...kept,
  format: 2,
  art: [{ print: '1', ...(art as object) }],
});

const CHAIN: FormatChain = { name: 'kept plan', steps: [severalPrints] };

/** What was kept with a route once, as it is read now; the line in it is of the format it was written in. */
export const readPlanInput = (kept: object): PlanInput =>
  upgrade(CHAIN, kept as Older, formatOf(kept)) as unknown as PlanInput;
