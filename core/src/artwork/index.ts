export { ANALYSIS_VERSION, analyseArtwork, openArt } from './analyse.ts';
export type { ArtAnalysis, ArtSession } from './analyse.ts';
export type { ArtFigures, ArtJob } from './artFigures.ts';
export type { BitPlane } from './bits.ts';
export { colourDistance, parseHex, toHex, toLab } from './colour.ts';
export { FINDING_CODES } from './finding.ts';
export type { Finding, FindingCode, Fix } from './finding.ts';
export { firstLook } from './firstLook.ts';
export { sayFinding, sayOverrule, stopsOf } from './findingSaid.ts';
export { INK_CHANNELS, defaultLaydown } from './ink.ts';
export type { InkChannel, InkUse, Laydown, Separation } from './ink.ts';
export { findCleanTolerance } from './knockOut.ts';
export type { KnockOut } from './knockOut.ts';
export { distanceTransform } from './distance.ts';
export { WHITE_PRESETS } from './whitePresets.ts';
export type { WhitePreset } from './whitePresets.ts';
export { narrowestChordPx, whiteAt } from './probe.ts';
export type { OpaqueBox } from './boxDetection.ts';
export { FAINT_ALPHA, cropPixels } from './pixels.ts';
export type { Box, Pixels, Rgb } from './pixels.ts';
export {
  mirrorPixels,
  mirrorPlane,
  pictureBits,
  pictureWhite,
  previewOnGarment,
  wholePlane,
} from './preview.ts';
export { PLANES, asPicture, renderPlane } from './planes.ts';
export type { Plane, Raster, ReadyArt } from './planes.ts';
export { scanArt } from './scan.ts';
export type { ArtScan } from './scan.ts';
export { sayFix, sayStep } from './stepSaid.ts';
export type { ArtStep, StepKind } from './steps/index.ts';
export { defaultUnderbase, layWhite } from './white.ts';
export type { PrintProcess, UnderbaseSettings, WhitePlane, Whites } from './white.ts';
