/** A garment that was weighed before and after a sprayer of the made-up shop. */
export interface DemoSprayWeighing {
  sprayer: string;
  fluid: string;
  daysAgo: number;
  setting: number;
  passes: 1 | 2;
  beforeG: number;
  afterG: number;
  elapsedS: number;
}

/** The Spray box with its cotton fluid: three of a quiet afternoon. It gives a little less than its maker says. */
export const DEMO_SPRAY_WEIGHINGS: readonly DemoSprayWeighing[] = [
  { sprayer: 'Spray box', fluid: 'Fen Primer', daysAgo: 16, setting: 30, passes: 1, beforeG: 152.4, afterG: 165.9, elapsedS: 35 },
  { sprayer: 'Spray box', fluid: 'Fen Primer', daysAgo: 16, setting: 45, passes: 1, beforeG: 151.8, afterG: 170.6, elapsedS: 40 },
  { sprayer: 'Spray box', fluid: 'Fen Primer', daysAgo: 9, setting: 40, passes: 1, beforeG: 149.9, afterG: 167.4, elapsedS: 30 },
]; // prettier-ignore
