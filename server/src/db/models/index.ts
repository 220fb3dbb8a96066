import type { Model, ModelStatic, Sequelize } from 'sequelize';
import { defineArtwork, defineBlob, defineFigures, definePreparation } from './artworks.ts';
import { defineCustomer } from './customers.ts';
import { defineDayPlan } from './dayPlans.ts';
import { defineWorkTime } from './workTimes.ts';
import { defineFilmLayout } from './filmLayouts.ts';
import { defineColour, defineSize, defineStyle } from './garments.ts';
import { defineLine, defineLineSize, defineOrder, definePrint } from './orders.ts';
import { defineProofAnswer, defineQuote, defineRoute } from './routes.ts';
import { defineJob } from './jobs.ts';
import { defineRequestKey } from './requestKeys.ts';
import { defineEvent, defineOutcome, defineRun, defineRunLine, defineTally } from './runs.ts';
import { defineMove, definePacket, defineUse } from './shelf.ts';
import { defineSprayWeighing } from './sprayers.ts';
import { defineCare } from './care.ts';
import {
  defineBenchNote,
  defineChange,
  defineChangedLine,
  defineFacts,
  defineLot,
  defineMachine,
  defineMaterial,
  defineRevision,
  defineSetting,
  definePressCheck,
  defineWeighing,
} from './setUp.ts';

export type Models = ReturnType<typeof defineModels>;

/** One model for each table, on this connection, with what belongs to what. */
export function defineModels(sequelize: Sequelize) {
  const models = {
    customers: defineCustomer(sequelize),
    styles: defineStyle(sequelize),
    colours: defineColour(sequelize),
    sizes: defineSize(sequelize),
    materials: defineMaterial(sequelize),
    machines: defineMachine(sequelize),
    settings: defineSetting(sequelize),
    revisions: defineRevision(sequelize),
    facts: defineFacts(sequelize),
    changes: defineChange(sequelize),
    changedLines: defineChangedLine(sequelize),
    weighings: defineWeighing(sequelize),
    lots: defineLot(sequelize),
    pressChecks: definePressCheck(sequelize),
    benchNotes: defineBenchNote(sequelize),
    sprayWeighings: defineSprayWeighing(sequelize),
    care: defineCare(sequelize),
    blobs: defineBlob(sequelize),
    artworks: defineArtwork(sequelize),
    figures: defineFigures(sequelize),
    preparations: definePreparation(sequelize),
    orders: defineOrder(sequelize),
    lines: defineLine(sequelize),
    prints: definePrint(sequelize),
    lineSizes: defineLineSize(sequelize),
    routes: defineRoute(sequelize),
    quotes: defineQuote(sequelize),
    proofAnswers: defineProofAnswer(sequelize),
    filmLayouts: defineFilmLayout(sequelize),
    dayPlans: defineDayPlan(sequelize),
    workTimes: defineWorkTime(sequelize),
    runs: defineRun(sequelize),
    runLines: defineRunLine(sequelize),
    events: defineEvent(sequelize),
    outcomes: defineOutcome(sequelize),
    tallies: defineTally(sequelize),
    requestKeys: defineRequestKey(sequelize),
    jobs: defineJob(sequelize),
    shelfPackets: definePacket(sequelize),
    shelfMoves: defineMove(sequelize),
    shelfUses: defineUse(sequelize),
  };
  joinModels(models);
  return models;
}

/** What belongs to what. */
function joinModels(models: Record<keyof Models, ModelStatic<Model>>): void {
  const { styles, colours, sizes, orders, lines, prints, lineSizes, customers, artworks, preparations } =
    models;
  styles.hasMany(colours, { as: 'colours', foreignKey: 'styleId' });
  styles.hasMany(sizes, { as: 'sizes', foreignKey: 'styleId' });
  colours.belongsTo(styles, { as: 'style', foreignKey: 'styleId' });
  orders.belongsTo(customers, { as: 'customer', foreignKey: 'customerId' });
  orders.hasMany(lines, { as: 'lines', foreignKey: 'orderId' });
  lines.belongsTo(orders, { as: 'order', foreignKey: 'orderId' });
  lines.belongsTo(colours, { as: 'colour', foreignKey: 'colourId' });
  lines.hasMany(prints, { as: 'prints', foreignKey: 'lineId' });
  prints.belongsTo(lines, { as: 'line', foreignKey: 'lineId' });
  prints.belongsTo(artworks, { as: 'artwork', foreignKey: 'artworkId' });
  prints.belongsTo(preparations, { as: 'preparation', foreignKey: 'preparationId' });
  lines.hasMany(lineSizes, { as: 'quantities', foreignKey: 'lineId' });
  const { routes, facts, runLines, proofAnswers } = models;
  routes.belongsTo(facts, { as: 'facts', foreignKey: 'factsSha256' });
  proofAnswers.belongsTo(routes, { as: 'version', foreignKey: 'routeVersionId' });
  const { runs, filmLayouts } = models;
  runs.belongsTo(filmLayouts, { as: 'layout', foreignKey: 'layoutId' });
  filmLayouts.hasOne(runs, { as: 'run', foreignKey: 'layoutId' });
  runLines.belongsTo(routes, { as: 'version', foreignKey: 'routeVersionId' });
  const { materials, shelfPackets, shelfMoves, shelfUses } = models;
  shelfPackets.belongsTo(materials, { as: 'material', foreignKey: 'materialId' });
  shelfPackets.hasMany(shelfMoves, { as: 'moves', foreignKey: 'packetId' });
  shelfPackets.hasMany(shelfUses, { as: 'uses', foreignKey: 'packetId' });
  shelfUses.belongsTo(shelfPackets, { as: 'packet', foreignKey: 'packetId' });
}

export type { ArtworkRow, BlobRow, PreparationRow } from './artworks.ts';
export type { FilmLayoutRow, FilmShare } from './filmLayouts.ts';
export type { StyleRow } from './garments.ts';
export type { LineRow, OrderRow, PrintRow } from './orders.ts';
export type { QuoteRow, RouteRow } from './routes.ts';
export type { EventRow, RunLineRow, RunRow } from './runs.ts';
export type { MoveRow, PacketRow, UseRow } from './shelf.ts';
export type { WorkTimeRow } from './workTimes.ts';
export type { BenchNoteRow, CheckRow, MachineRow, MaterialRow, SettingKey, SettingRow } from './setUp.ts';
