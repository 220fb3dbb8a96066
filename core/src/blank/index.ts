export {
  BLANK_KINDS,
  BLANK_KIND_NAMES,
  FEATURES,
  FEATURE_NAMES,
  FIBRES,
  hasFeature,
  isCap,
  isThinWicking,
  pressedThicknessMm,
} from './blank.ts';
export type { BlankKind, Construction, Feature, Fibres, Garment } from './blank.ts';
