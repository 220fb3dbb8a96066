import type { Box } from './pixels.ts';
import type { ArtStep } from './steps/index.ts';

/** What can be wrong with a file, in order of harm. */
export const FINDING_CODES = [
  'empty',
  'garment-too-dark',
  'fake-checkerboard',
  'opaque-box',
  'resolution-bad',
  'needs-white',
  'soft-alpha',
  'hairlines',
  'resolution-low',
  'upscaled',
  'solid-stiff',
  'thin-lines',
  'specks',
  'opaque-rectangle',
  'solid-large',
  'narrow-gaps',
  'pinholes',
  'garment-coloured',
  'empty-margin',
  'resolution-soft',
  'resolution-oversampled',
  'ghost-pixels',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

/** Something that can be done about a finding by one press. */
export type Fix =
  /** A step more in the list. */
  | { kind: 'step'; step: ArtStep }
  /** Another printed width, mm. */
  | { kind: 'print-width'; widthMm: number };

/** Something about the file a print room should know before it prints: a code, its figures, and where it is. */
export interface Finding {
  code: FindingCode;
  /** `stop`: not printable like this; `warn`: it will show; `note`: worth knowing. */
  severity: 'stop' | 'warn' | 'note';
  /** `sure`: measured; `likely`: a person may have meant it. */
  confidence: 'sure' | 'likely';
  /** Figures for the sentence: shares 0–1, sizes in mm, resolutions per inch. */
  params: Record<string, number | string | boolean>;
  /** Rectangles to look at, px of the printed art, the most telling first; empty when the whole art is meant. */
  places: Box[];
  /** How many places there are in all. */
  placeCount: number;
  /** Best first. */
  fixes: Fix[];
}
