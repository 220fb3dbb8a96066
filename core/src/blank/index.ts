export {
  BLANK_KINDS,
  BLANK_KIND_NAMES,
  DYES,
  FEATURES,
  FIBRES,
  fibresOf,
  hasFeature,
  isCap,
  isCloth,
  isPatch,
  isThinWicking,
  pressedThicknessMm,
} from './blank.ts';
export type {
  BlankKind,
  BoughtPretreatment,
  Construction,
  Dye,
  Feature,
  Fibre,
  Fibres,
  Garment,
} from './blank.ts';
