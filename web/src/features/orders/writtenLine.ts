import type { WrittenLine } from '@saltflat/contract';
import { gradesOf, piecesOf } from './orderFormValues.ts';
import type { LineValues } from './orderFormValues.ts';

/** A line as far as it can be asked about: prints without art are left out; `null` while none has any, or nobody has said how many. */
export function writtenLine(line: LineValues): WrittenLine | null {
  const { styleId, colourId, quantities, house } = line;
  const sizes = Object.entries(quantities)
    .map(([size, text]) => ({ size, quantity: Number(text) }))
    .filter(({ quantity }) => Number.isInteger(quantity) && quantity > 0);
  if (piecesOf(line) === 0 || sizes.length === 0) return null;
  const prints = line.prints.flatMap(
    ({ id, artwork, preparation, placement, dropMm, widthMm, process, widths }) => {
      if (artwork === null || widthMm === null || dropMm === null) return [];
      const preparationId = preparation?.id ?? null;
      const grades = gradesOf(widths, sizes);
      return [
        { id, artworkId: artwork.id, preparationId, placement, dropMm, widthMm, process, grades } as const,
      ];
    },
  );
  return prints.length === 0 ? null : { styleId, colourId, prints, sizes, house };
}
