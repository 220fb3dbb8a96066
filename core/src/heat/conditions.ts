import type { Garment } from '../blank/index.ts';
import type { KnownParameters } from './parameters.ts';

/** What is known of one press. */
export interface KnownPress {
  /** Of the plate above its display where the print lies, K; what a survey found. */
  offsetC: number;
  /** Day of the survey, ISO date; `null` where it was never surveyed. */
  surveyedOn: string | null;
  /** Day of its calibration, ISO date; `null` where it was never calibrated. */
  calibratedOn: string | null;
  /** What was measured in place of the model's ranges. */
  known: KnownParameters;
  /** What the model is worth on dwell, as a share either way. */
  spread: number;
}

/** What the model is worth on dwell before anybody has calibrated it on a press, as a share either way. */
export const UNCALIBRATED_SPREAD = 0.25;

/** A press nobody has measured: its display is taken at its word, ± the table's error. */
export const UNKNOWN_PRESS: KnownPress = {
  offsetC: 0,
  surveyedOn: null,
  calibratedOn: null,
  known: {},
  spread: UNCALIBRATED_SPREAD,
};

/** The room, the blank and what is known: all that is not in the route itself. */
export interface HeatConditions {
  roomC: number;
  /** 0–1. */
  relativeHumidity: number;
  garment: Pick<Garment, 'fibres' | 'dye' | 'features' | 'kind'>;
  /** By the machine's id; a press that is not here is {@link UNKNOWN_PRESS}. */
  presses: Readonly<Record<string, KnownPress>>;
  /** Pieces cool on this. */
  table: 'wood' | 'metal';
  /** A silicone mat begins at the room's temperature, or was kept under the plate. */
  mat: 'cold' | 'parked';
}

/** A room as work is planned for: 24 °C, 50 %, a wooden table, a mat that stays on the press. */
export const usualConditions = (garment: HeatConditions['garment']): HeatConditions => ({
  roomC: 24,
  relativeHumidity: 0.5,
  garment,
  presses: {},
  table: 'wood',
  mat: 'parked',
});

/** What is known of the press an operation is planned on. */
export const pressOf = (
  { presses }: Pick<HeatConditions, 'presses'>,
  machineId: string | null | undefined,
): KnownPress => presses[machineId ?? ''] ?? UNKNOWN_PRESS;
