/** From this many pieces of a line on, so much off the price. */
export interface PriceBreak {
  from: number;
  /** 0–1 of the price per piece. */
  offShare: number;
}

/** What this shop's time costs and how it makes a price; assumptions until it says otherwise. */
export interface Rates {
  centsPerHour: number;
  /** Presses, printers and ovens: power, wear, room. */
  machineCentsPerHour: number;
  /** Taking in, proof, first piece: paid once per line, min of a person's time. */
  setUpMinutes: number;
  /** Lines that share the warm-up of a machine: it is heated once a day, not for each. */
  linesPerWarmUp: number;
  /** Share (0–1) of pieces made again. */
  spoilageShare: number;
  /** Where that share comes from. */
  spoilageFrom: 'assumed' | 'measured';
  /** Share of the price that is margin, 0–1 (below 1). */
  marginShare: number;
  priceBreaks: readonly PriceBreak[];
  /** Added per piece for fabrics that take more care: performance wear, caps. */
  performanceCents: number;
  capCents: number;
}

export const DEFAULT_RATES: Rates = {
  centsPerHour: 2400,
  machineCentsPerHour: 350,
  setUpMinutes: 12,
  linesPerWarmUp: 5,
  spoilageShare: 0.03,
  spoilageFrom: 'assumed',
  marginShare: 0.4,
  priceBreaks: [
    { from: 24, offShare: 0.05 },
    { from: 72, offShare: 0.1 },
  ],
  performanceCents: 100,
  capCents: 150,
};
