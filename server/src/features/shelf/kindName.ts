const LONGEST = 120; // of a material’s name

/** What a kind of transfer is called: its art, how wide it is, and what it was made with or by whom. */
export const kindName = (artwork: string, widthMm: number, from: string): string =>
  `${artwork.replace(/\.[a-z0-9]+$/i, '')}, ${Math.round(widthMm)} mm, ${from}`.slice(0, LONGEST);
