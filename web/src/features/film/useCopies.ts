import type { WaitingTransfers } from '@saltflat/contract';
import { nameOf, ownerOf, withMore } from '@saltflat/contract/filmJob';
import type { FilmProblem, Placement } from '@saltflat/core/film';
import { spareOf, whyNoMore, withoutOne } from './copies.ts';
import { lying } from './filmJob.ts';
import type { FilmDraft, FilmGroup } from './filmJob.ts';
import { useRoom } from './useRoom.ts';

interface Copies {
  group: FilmGroup;
  /** With what is printed beyond what their lines want. */
  transfers: readonly WaitingTransfers[];
  draft: FilmDraft;
  laid: readonly Placement[];
  /** The piece that is chosen. */
  own: Placement | undefined;
  /** All lies there and nothing is wrong with it. */
  isRight: boolean;
  problemFor: (transfers: readonly WaitingTransfers[]) => FilmProblem;
  change: (part: Partial<FilmDraft>) => void;
  onAdded: (placed: Placement) => void;
}

/** One more of the piece that is chosen, where there is room; and one fewer of what is beyond what is wanted. */
export function useCopies({ group, transfers, draft, laid, own, isRight, problemFor, ...on }: Copies) {
  const spare = own ? spareOf(transfers, own, draft) : null;
  const { room, look, forget } = useRoom((placed) => addCopy(placed));
  const addCopy = (placed: Placement): void => {
    const owner = ownerOf(group.waiting, { ...placed, key: `${placed.itemId}#0` })?.owner;
    if (!owner) return;
    const name = nameOf(owner);
    on.change({
      more: { ...draft.more, [name]: (draft.more[name] ?? 0) + 1 },
      placements: [...draft.placements, placed],
    });
    on.onAdded(placed);
    forget();
  };
  const canChange = spare !== null && own !== undefined && whyNoMore(spare.owner, own.itemId) === null;
  return {
    spare,
    room,
    addCopy,
    forget,
    lookForRoom: (): void => {
      if (!canChange || !isRight) return;
      const more = { ...draft.more, [nameOf(spare.owner)]: spare.more + 1 };
      look(
        problemFor(group.waiting.map((known) => withMore(known, more[nameOf(known)] ?? 0))),
        lying(draft, laid),
      );
    },
    takeOff: (): void => {
      if (canChange && spare.more > 0) on.change(withoutOne(draft, spare.owner, own));
    },
  };
}
