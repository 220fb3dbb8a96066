import { assumed, trade } from './tradeRange.ts';
import type { TradeRange } from './tradeRange.ts';

export type { TradeRange };

/**
 * Where practice starts when no maker's sheet and no result of this shop says otherwise.
 * °C, s, kPa, g/m², mm; each key is step, fabric, unit.
 */
export const TRADE = {
  // what fabrics stand
  dyeMigrationC: trade(138, 145, 140),
  dyeMigrationProneC: assumed(120, 138, 130),
  coatingC: assumed(120, 145, 140),
  repellentC: assumed(130, 155, 150),
  foamKPa: assumed(20, 40, 30),
  // before anything
  prePressS: trade(5, 10, 6),
  prePressAnyS: trade(3, 12, 6),
  prePressLongS: trade(8, 12, 10),
  prePressPolyesterS: trade(2, 5, 3),
  prePressCapS: trade(3, 10, 5),
  capFormKPa: assumed(20, 65, 40),
  // film
  filmPauseS: trade(15, 20, 18),
  filmWhiteDensity: trade(0.5, 0.7, 0.6),
  filmChokeMm: trade(0.05, 0.3, 0.1),
  filmBetweenJobsS: trade(15, 120, 60),
  powderStandS: trade(0, 300, 0),
  powderStandDampS: trade(60, 300, 180),
  powderCureC: trade(120, 165, 150),
  powderCureS: trade(120, 180, 150),
  powderFullCureS: trade(150, 480, 240),
  hoverC: trade(160, 165, 162),
  hoverS: trade(120, 180, 120),
  hoverFullS: trade(240, 480, 360),
  hoverHotterPerMm: assumed(0.8, 1.6, 1.2),
  hoverBothSidesShare: trade(0.7, 0.8, 0.75),
  hoverOneSideFactor: assumed(1, 2, 1),
  hoverGapMm: trade(3, 30, 10),
  griddleC: trade(165, 185, 175),
  griddleS: trade(20, 40, 30),
  griddleHotterBy: assumed(15, 35, 25),
  griddleTimeShare: assumed(0.15, 0.3, 0.2),
  powderLoadShare: assumed(0.5, 1.8, 1),
  // pressing a transfer
  transferCanvasS: trade(15, 25, 18),
  transferCanvasKPa: trade(50, 65, 55),
  secondPressS: trade(5, 15, 10),
  secondPressKPa: trade(25, 45, 35),
  coldPeelS: assumed(30, 120, 45),
  coldPeelMetalS: assumed(15, 60, 25),
  warmPeelS: assumed(8, 20, 12),
  // caps and patches
  capFrontC: trade(135, 140, 138),
  capFrontS: trade(7, 15, 10),
  capFrontKPa: trade(66, 90, 70),
  capHottestC: trade(138, 142, 142),
  capLowerC: trade(60, 105, 90),
  patchTransferC: trade(110, 140, 130),
  patchTransferS: trade(8, 15, 10),
  patchTransferKPa: trade(25, 45, 30),
  patchTackC: trade(110, 121, 115),
  patchTackS: trade(2, 5, 3),
  patchCapC: trade(135, 142, 138),
  patchCapS: trade(15, 20, 18),
  patchCapKPa: trade(35, 55, 45),
  patchRestS: trade(72_000, 172_800, 86_400),
  thickSiliconeFactor: trade(1.8, 2.2, 2),
  thinSiliconeFactor: assumed(1.1, 1.4, 1.25),
  // sublimation ink on film
  subTransferC: trade(150, 195, 165),
  subTransferS: trade(20, 40, 30),
  // pretreatment
  pretreatmentCottonGM2: trade(110, 180, 130),
  pretreatmentFleeceFactor: trade(2, 3, 2.2),
  pretreatmentPolyesterFactor: trade(1.2, 1.4, 1.3),
  pretreatmentTolerance: assumed(0.1, 0.2, 0.15),
  dryBurstS: trade(10, 15, 12),
  dryBursts: assumed(2, 5, 3),
  dryBurstsFleece: assumed(4, 8, 5),
  dryHoverS: assumed(30, 90, 60),
  airDryS: trade(1200, 2400, 1800),
  airDryPressS: trade(5, 15, 8),
  // direct print
  directChokeMm: trade(0.1, 0.4, 0.15),
  directWhiteDensity: trade(0.7, 1, 1),
  directWhitePauseS: assumed(30, 120, 60),
  directStandS: trade(45, 120, 60),
  directHoverS: trade(20, 40, 30),
  directCureDarkS: trade(60, 120, 90),
  directCureLightS: trade(30, 45, 40),
  directCurePolyesterS: trade(100, 140, 120),
  directCureBursts: trade(3, 5, 4),
  directCureKPa: trade(5, 12, 10),
  dryKPa: trade(5, 25, 15),
  layFibresKPa: trade(35, 65, 50),
  hoverPressKPa: trade(25, 45, 35),
} as const satisfies Record<string, TradeRange>;
