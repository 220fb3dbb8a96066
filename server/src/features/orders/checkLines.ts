import { DomainError } from '@saltflat/contract';
import type { Catalogue, FieldProblem, GarmentStyle, OrderLineInput } from '@saltflat/contract';
import { placedTwice } from '@saltflat/core/placement';
import { inWords } from '@saltflat/core/words';

interface Needs {
  readCatalogue: () => Promise<Catalogue>;
  artworkExists: (id: string) => Promise<boolean>;
}

/** Refuses lines whose garments, colours, sizes or artworks are none the shop has; all that is wrong at once. */
export type CheckLines = (lines: readonly OrderLineInput[]) => Promise<void>;

export const createCheckLines =
  ({ readCatalogue, artworkExists }: Needs): CheckLines =>
  async (lines) => {
    const { styles } = await readCatalogue();
    const fields: FieldProblem[] = [];
    for (const [i, line] of lines.entries()) {
      const refuse = (field: string, message: string): void =>
        void fields.push({ path: `/lines/${i}/${field}`, message });
      const style = styles.find(({ id }) => id === line.styleId);
      checkGarment(line, style, refuse);
      checkSizes(line, style, refuse);
      checkPlaces(line, refuse);
      for (const [k, { artworkId }] of line.prints.entries())
        if (artworkId !== null && !(await artworkExists(artworkId)))
          refuse(`prints/${k}/artworkId`, 'That artwork is not here: drop the file again.');
    }
    if (fields.length > 0)
      throw new DomainError('invalid-input', fields.map(({ message }) => message).join(' '), { fields });
  };

type Refuse = (field: string, message: string) => void;

function checkGarment(line: OrderLineInput, style: GarmentStyle | undefined, refuse: Refuse): void {
  if (!style) refuse('styleId', 'That garment is not in the shop’s list: choose another.');
  else if (!style.colours.some(({ id }) => id === line.colourId))
    refuse('colourId', `${style.name} does not come in that colour: choose another.`);
}

function checkSizes(line: OrderLineInput, style: GarmentStyle | undefined, refuse: Refuse): void {
  for (const [k, { size }] of line.sizes.entries()) {
    if (style && !style.sizes.some((known) => known.size === size))
      refuse(`sizes/${k}/size`, `${style.name} does not come in size ${size}.`);
    if (line.sizes.findIndex((other) => other.size === size) !== k)
      refuse(`sizes/${k}/size`, `Size ${size} is there twice: add the quantities.`);
  }
  for (const [j, { grades = [] }] of line.prints.entries())
    for (const [k, { sizes }] of grades.entries())
      for (const size of sizes)
        if (!line.sizes.some((ordered) => ordered.size === size))
          refuse(
            `prints/${j}/grades/${k}/sizes`,
            `A width is given for size ${size}, which this line does not order.`,
          );
}

/** A place takes one print, and a print's name is its own. */
function checkPlaces({ prints }: OrderLineInput, refuse: Refuse): void {
  for (const { index, why } of placedTwice(prints.map(({ placement }) => placement)))
    refuse(`prints/${index}/placement`, inWords(why));
  for (const [k, { id }] of prints.entries())
    if (id !== undefined && prints.findIndex((own) => own.id === id) < k)
      refuse(`prints/${k}/id`, `Print ${id} is there twice: leave the id of the new one out.`);
}
