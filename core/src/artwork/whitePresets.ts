import type { PrintProcess, UnderbaseSettings } from './white.ts';

/** A house's way of laying white, as a starting point. */
export interface WhitePreset {
  name: string;
  /** What it gains and what it costs. */
  tradeOff: string;
  underbase: Partial<UnderbaseSettings>;
}

/** Schools of white by process; values are trade starting points, to be tested in the shop. */
export const WHITE_PRESETS: Record<Exclude<PrintProcess, 'dtg-light' | 'sub'>, readonly WhitePreset[]> = {
  dtf: [
    {
      name: 'Soft hand',
      tradeOff: 'Bends and dries sooner; dark fabric shows through light colours.',
      underbase: { density: 0.55, chokeMm: 0.12 },
    },
    {
      name: 'Everyday',
      tradeOff: 'Hides most fabrics with an ordinary hand.',
      underbase: { density: 0.7, chokeMm: 0.1 },
    },
    {
      name: 'Full cover',
      tradeOff: 'Hides everything; heavier, dries longer, more likely to crack.',
      underbase: { density: 1, chokeMm: 0.1 },
    },
  ],
  'dtg-dark': [
    {
      name: 'Single hit',
      tradeOff: 'One pass of white: soft and quick, whites a little grey.',
      underbase: { density: 0.85, chokeMm: 0.15, highlight: 0 },
    },
    {
      name: 'Full hit',
      tradeOff: 'As much white as one pass lays.',
      underbase: { density: 1, chokeMm: 0.15, highlight: 0 },
    },
    {
      name: 'Double hit',
      tradeOff: 'A second white under what is light: brightest, with a drying pause and more ink.',
      underbase: { density: 1, chokeMm: 0.18, highlight: 0.8 },
    },
  ],
};
