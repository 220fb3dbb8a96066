import type { FilmLayoutDocument } from '../filmLayouts.ts';
import { newestFormat, upgrade } from './upgrade.ts';
import type { FormatChain, Older } from './upgrade.ts';

/** Format 2 says of transfers whether they are made again; until then none were. */
const noneAgain: (older: Older) => Older = ({ transfers, ...rest }) => ({
  ...rest,
  transfers: (transfers as Older[]).map((own) => ({ ...own, again: null })),
});

/** Format 3 says what was left on the roll, what is kept upright and what is for the shelf; until then nobody asked. */
const nothingAsked: (older: Older) => Older = ({ settings, transfers, ...rest }) => ({
  ...rest,
  transfers: (transfers as Older[]).map((own) => ({ ...own, isForShelf: false })),
  upright: [],
  settings: { ...(settings as Older), rollLeftMm: null },
});

const CHAIN: FormatChain = { name: 'layout of film', steps: [noneAgain, nothingAsked] };

/** The format layouts are written in now. */
export const LAYOUT_FORMAT = newestFormat(CHAIN);

/** A layout of film as it was kept, whichever format it was written in. */
export const readFilmLayout = (format: number, document: object): FilmLayoutDocument =>
  upgrade(CHAIN, document as Older, format) as unknown as FilmLayoutDocument;
