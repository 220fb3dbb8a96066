import { DomainError } from '@saltflat/contract';
import type { LinePrint, OrderLine, OrderLineInput } from '@saltflat/contract';

/** A line as a person would write it again. */
export const asInput = (line: OrderLine): OrderLineInput => {
  const { styleId, colour, prints, sizes, house } = line;
  return { styleId, colourId: colour.id, prints: prints.map(printInput), sizes, house };
};

/** The same on another order, where its prints get names of their own. */
export const asCopy = (line: OrderLine): OrderLineInput => {
  const input = asInput(line);
  return { ...input, prints: input.prints.map(({ id: _own, ...print }) => print) };
};

const printInput = ({
  id,
  artwork,
  preparation,
  placement,
  dropMm,
  widthMm,
  process,
  grades,
}: LinePrint) => ({
  id,
  artworkId: artwork?.id ?? null,
  preparationId: preparation?.id ?? null,
  placement,
  dropMm,
  widthMm,
  process,
  grades,
});

/** True where what is written differs from what is there; what is left out stays as it is. */
export function hasChanged(input: OrderLineInput, before: readonly OrderLine[]): boolean {
  const line = before.find(({ id }) => id === input.id);
  if (!line) return true;
  const asWas = asInput(line);
  const { id: _own, ...asIs } = {
    ...input,
    prints: input.prints.map((own) => {
      const was = asWas.prints.find((print) => print.id === own.id);
      // another artwork does not keep the preparation of the one before
      const kept = was && was.artworkId === own.artworkId ? was.preparationId : null;
      return {
        ...own,
        preparationId: own.preparationId === undefined ? kept : own.preparationId,
        grades: own.grades ?? was?.grades ?? [],
      };
    }),
    house: input.house ?? asWas.house,
  };
  return stable(asWas) !== stable(asIs);
}

/** Field order and order of sizes do not make a line another one. */
function stable({ sizes, prints, house, styleId, colourId }: Omit<OrderLineInput, 'id'>): string {
  return JSON.stringify([
    [styleId, colourId],
    prints.map((print) => Object.entries(print).sort(([p], [q]) => (p < q ? -1 : 1))),
    Object.entries(house ?? {}).sort(),
    sizes.map(({ size, quantity }) => `${size}×${quantity}`).sort(),
  ]);
}

/** @throws DomainError for a line that says it is one of the order's own and is not, or a print of no line */
export function refuseForeignLines(lines: readonly OrderLineInput[], own: readonly OrderLine[]): void {
  const fields = lines.flatMap(({ id, prints }, i) => {
    const line = own.find((known) => known.id === id);
    if (id !== undefined && !line)
      return [
        { path: `/lines/${i}/id`, message: 'That line is none of this order: leave its id out to add it.' },
      ];
    return prints.flatMap((print, k) =>
      print.id === undefined || line?.prints.some((known) => known.id === print.id)
        ? []
        : [
            {
              path: `/lines/${i}/prints/${k}/id`,
              message: `Print ${print.id} is none of this line: leave its id out to add it.`,
            },
          ],
    );
  });
  if (fields.length > 0)
    throw new DomainError('invalid-input', fields.map((field) => field.message).join(' '), { fields });
}
