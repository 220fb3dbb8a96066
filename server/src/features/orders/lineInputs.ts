import { DomainError } from '@saltflat/contract';
import type { OrderLine, OrderLineInput } from '@saltflat/contract';

/** A line as a person would write it again. */
export const asInput = (line: OrderLine): OrderLineInput => {
  const { styleId, colour, artwork, preparation, placement, dropMm, widthMm, process } = line;
  return {
    styleId,
    colourId: colour.id,
    artworkId: artwork?.id ?? null,
    preparationId: preparation?.id ?? null,
    placement,
    dropMm,
    widthMm,
    process,
    sizes: line.sizes,
    grades: line.grades,
    house: line.house,
  };
};

/** True where what is written differs from what is there; what is left out stays as it is. */
export function hasChanged(input: OrderLineInput, before: readonly OrderLine[]): boolean {
  const line = before.find(({ id }) => id === input.id);
  if (!line) return true;
  const asWas = asInput(line);
  const { id: _own, ...asIs } = {
    ...input,
    preparationId: input.preparationId ?? asWas.preparationId,
    grades: input.grades ?? asWas.grades,
    house: input.house ?? asWas.house,
  };
  return stable(asWas) !== stable(asIs);
}

/** Field order and order of sizes do not make a line another one. */
function stable({ sizes, ...line }: Omit<OrderLineInput, 'id'>): string {
  return JSON.stringify([
    Object.entries(line)
      .map(([key, value]): [string, unknown] => [
        key,
        key === 'house' ? Object.entries(value ?? {}).sort() : value,
      ])
      .sort(([p], [q]) => (p < q ? -1 : 1)),
    sizes.map(({ size, quantity }) => `${size}×${quantity}`).sort(),
  ]);
}

/** @throws DomainError for a line that says it is one of the order's own and is not */
export function refuseForeignLines(lines: readonly OrderLineInput[], own: readonly OrderLine[]): void {
  const message = 'That line belongs to no line of this order: leave its id out to add it.';
  const fields = lines.flatMap(({ id }, i) =>
    id !== undefined && !own.some((line) => line.id === id) ? [{ path: `/lines/${i}/id`, message }] : [],
  );
  if (fields.length > 0)
    throw new DomainError('invalid-input', fields.map((field) => field.message).join(' '), { fields });
}
