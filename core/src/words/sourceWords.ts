import type { AnySaid, Tell } from './said.ts';
import type { Figures } from './speech.ts';

/** Why a line is made with this thing of the set-up and not with that. */
export const SOURCES = {
  'source.only': () => 'The only one that can be used here.',
  'source.first': () => 'It fits, and stands first in the shop’s order of those that do.',
  'source.before': ({ other, doubt }: { other: string; doubt: AnySaid }, _f: Figures, tell: Tell) =>
    `It fits better: “${other}” ${tell(doubt)}.`,
  'source.person': ({ who, why }: { who: string; why: string }) => `Chosen by ${who}: ${why}`,
  'source.later': () => 'would do as well, and stands later in the shop’s order',
  'against.size': (
    p: { widthMm: number; heightMm: number; roomWidthMm: number; roomHeightMm: number | null },
    f: Figures,
  ) =>
    `takes ${p.roomHeightMm === null ? `${f.mm(p.roomWidthMm)} across` : f.size(p.roomWidthMm, p.roomHeightMm)}, and the print is ${f.size(p.widthMm, p.heightMm)}`,
  'against.fibre': ({ fibre }: { fibre: string }) => `is made for ${fibre}`,
  'against.minimum': ({ minimum, pieces }: { minimum: number; pieces: number }) =>
    `is sold from ${minimum} pieces, and this line has ${pieces}`,
  'against.other-size': ({ widthMm, wantedMm }: { widthMm: number; wantedMm: number }, f: Figures) =>
    `is ${f.mm(widthMm)} wide, and the print is ${f.mm(wantedMm)}`,
  'against.too-few': ({ stock, pieces }: { stock: number; pieces: number }) =>
    `lies there ${stock === 1 ? 'once' : `${stock} times`}, and this line has ${pieces} pieces`,
  'against.no-caps': () => 'says nothing for caps on its sheet',
  'doubt.too-hot': ({ fromC, mostC }: { fromC: number; mostC: number }, f: Figures) =>
    `wants ${f.temp(fromC)} or more, and this fabric bears ${f.temp(mostC)}`,
  'doubt.melts-late': ({ meltC, mostC }: { meltC: number; mostC: number }, f: Figures) =>
    `has melted only at ${f.temp(meltC)}, and this fabric bears ${f.temp(mostC)}`,
  'doubt.lets-dye-through': () => 'is not made to keep a wandering dye back',
  'doubt.out-of-stock': () => 'is not in stock',
  'doubt.glitter': () => 'glitters',
  'doubt.peel': ({ peel, house }: { peel: string; house: string }) =>
    `peels ${peel}, and this shop peels ${house}`,
  'doubt.tape-melts': ({ maxC }: { maxC: number }, f: Figures) => `holds to ${f.temp(maxC)} only`,
  'doubt.not-this-sheet': () => 'is not the kind of sheet that is wished for here',
  'doubt.no-lower': () => 'has no heated lower half',
  'doubt.not-house-sprayer': () => 'is not how this shop sprays',
};
