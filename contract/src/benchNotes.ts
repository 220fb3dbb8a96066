import { Type } from 'typebox';
import { BenchStackDocument } from './benchStack.ts';
import { Id, Instant, longText, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** Stacks that were held against each other on the bench, with what somebody saw in them. */
export const BenchNoteInput = strictObject({
  name: shortText('Name of the note', 80, 'What is it called?'),
  text: longText('What was seen', 2000),
  variants: Type.Array(strictObject({ name: shortText('Name of a stack', 60), stack: BenchStackDocument }), {
    title: 'Stacks',
    minItems: 1,
    maxItems: 4,
  }),
  by: shortText('Who', 60, 'Who noted it?'),
});
export type BenchNoteInput = Static<typeof BenchNoteInput>;

export const BenchNote = strictObject({ id: Id, at: Instant, input: BenchNoteInput });
export type BenchNote = Static<typeof BenchNote>;
