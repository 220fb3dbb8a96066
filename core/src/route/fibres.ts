import { FIBRES } from '../blank/index.ts';
import type { Fibre, Garment } from '../blank/index.ts';
import type { PressureWord } from '../words/index.ts';
import { assumed, textbook, trade } from './tradeRange.ts';
import type { TradeRange } from './tradeRange.ts';

/** How a fibre takes heat, pressure, water and glue. */
export interface FibreFacts {
  /** Where it begins to be harmed in a press's time, °C. */
  standsC: TradeRange;
  /** From this share on a blend stands no more than the fibre itself; below it less is taken off, straight by share. */
  decidesFrom: number;
  /** The firmest press it takes without a mark. */
  firmest: PressureWord;
  /** Water it holds in a room at 65 % humidity, share of dry mass (textbook, standard regain). */
  regain: number;
  transferC: TradeRange;
  transferS: TradeRange;
  transferKPa: TradeRange;
  /** Plate that cures textile ink on it. */
  cureC: TradeRange;
  /** Whether film's glue is known to hold, or has to be tried. */
  filmHolds: 'well' | 'tried';
  /** How textile ink holds. */
  inkHolds: 'well' | 'weakly' | 'not';
}

const COTTON: FibreFacts = {
  standsC: textbook(160, 190, 180), // begins to yellow
  decidesFrom: 1,
  firmest: 'hard',
  regain: 0.08,
  transferC: trade(150, 165, 157),
  transferS: trade(10, 20, 15),
  transferKPa: trade(35, 60, 50),
  cureC: trade(160, 177, 165),
  filmHolds: 'well',
  inkHolds: 'well',
};

const POLYESTER: FibreFacts = {
  standsC: assumed(155, 180, 165), // shines and keeps its creases
  decidesFrom: 0.5,
  firmest: 'medium',
  regain: 0.004,
  transferC: trade(130, 140, 135),
  transferS: trade(15, 50, 20),
  transferKPa: trade(15, 35, 25),
  cureC: trade(138, 143, 140),
  filmHolds: 'well',
  inkHolds: 'well',
};

/** Made from wood: cotton's ways, but a cooler iron and a softer hand (textbook: ironed at two dots, 150 °C). */
const VISCOSE: FibreFacts = {
  ...COTTON,
  standsC: textbook(150, 170, 160),
  decidesFrom: 0.3,
  firmest: 'firm',
  regain: 0.125,
  transferC: assumed(140, 155, 150),
  transferS: assumed(10, 18, 14),
  transferKPa: assumed(30, 50, 40),
  cureC: assumed(150, 160, 157),
};

export const FIBRE_FACTS: Record<Fibre, FibreFacts> = {
  cotton: COTTON,
  linen: { ...COTTON, regain: 0.12, transferS: assumed(12, 20, 16) },
  viscose: VISCOSE,
  modal: { ...VISCOSE, regain: 0.12 },
  polyester: POLYESTER,
  nylon: {
    ...POLYESTER,
    standsC: trade(130, 150, 145), // shrinks and shines
    decidesFrom: 0.1,
    regain: 0.042,
    filmHolds: 'tried',
    inkHolds: 'not',
  },
  elastane: {
    ...COTTON,
    standsC: trade(150, 165, 160), // loses its stretch
    decidesFrom: 0.04,
    regain: 0.012,
  },
  wool: {
    ...POLYESTER,
    standsC: textbook(130, 150, 140), // yellows and felts; ironed at two dots
    decidesFrom: 0.2,
    regain: 0.16,
    transferC: assumed(130, 140, 135),
    transferS: assumed(10, 15, 12),
    transferKPa: assumed(20, 40, 30),
    inkHolds: 'weakly',
  },
  silk: {
    ...POLYESTER,
    standsC: textbook(130, 150, 140), // yellows and loses its lustre; ironed at two dots at most
    decidesFrom: 0.2,
    firmest: 'light',
    regain: 0.11,
    transferC: assumed(125, 140, 132),
    transferS: assumed(8, 15, 10),
    transferKPa: assumed(10, 25, 20),
    inkHolds: 'weakly',
  },
  acrylic: {
    ...POLYESTER,
    standsC: textbook(110, 130, 120), // softens and goes flat; ironed at one dot, 110 °C
    decidesFrom: 0.2,
    regain: 0.015,
    transferC: assumed(110, 120, 118),
    transferS: assumed(10, 15, 12),
    inkHolds: 'not',
  },
  leatherette: {
    ...POLYESTER,
    standsC: trade(130, 145, 142), // its grain melts flat
    decidesFrom: 0.1,
    regain: 0.005,
    transferC: trade(110, 140, 130),
    transferS: trade(8, 15, 10),
    transferKPa: trade(25, 45, 30),
    inkHolds: 'not',
  },
  /** What nobody knows is tried first, at the coolest that anything is pressed at; never as if it were cotton. */
  other: {
    ...POLYESTER,
    standsC: assumed(110, 135, 130),
    decidesFrom: 0.1,
    firmest: 'light',
    regain: 0.08,
    transferC: assumed(110, 130, 130),
    transferS: assumed(8, 12, 10),
    transferKPa: assumed(10, 25, 20),
    filmHolds: 'tried',
    inkHolds: 'weakly',
  },
};

/** Less of a fibre than this is a thread in a label, not the fabric. */
const A_TRACE = 0.005;

type Blend = Pick<Garment, 'fibres'>;

/** The fibres a fabric is made of, largest share first. */
export const fibresIn = ({ fibres }: Blend): { fibre: Fibre; share: number }[] =>
  FIBRES.map((fibre) => ({ fibre, share: fibres[fibre] }))
    .filter(({ share }) => share > A_TRACE)
    .sort((p, q) => q.share - p.share);

/** Those that say what a fabric wants: a little elastane stretches it and changes nothing else. */
export function wishingFibres(blend: Blend): { fibre: Fibre; share: number }[] {
  const own = fibresIn(blend).filter(({ fibre }) => fibre !== 'elastane');
  const whole = own.reduce((sum, { share }) => sum + share, 0);
  return own.length === 0
    ? fibresIn(blend)
    : own.map(({ fibre, share }) => ({ fibre, share: share / whole }));
}

/** Share, 0–1, of what is pressed only a moment and lightly: everything but cellulose. */
export const delicateShare = (blend: Blend): number =>
  Math.min(
    1,
    wishingFibres(blend)
      .filter(({ fibre }) => !CELLULOSE.includes(fibre))
      .reduce((sum, { share }) => sum + share, 0),
  );

const CELLULOSE: readonly Fibre[] = ['cotton', 'linen', 'viscose', 'modal'];
