import type { BlankKind } from '../blank/index.ts';
import { say } from '../words/index.ts';
import { sideOf, regionOf } from './faces.ts';
import { outlineOf, outlineScale, printTop } from './outlines.ts';
import type { PlacementPlan, PlacementProblem, SizePlacement } from './planPlacement.ts';

interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/**
 * Prints of one garment that would lie on each other; each with the sizes it is about.
 *
 * @param plans in the order the prints are written
 */
export function overlaps(kind: BlankKind, plans: readonly PlacementPlan[]): PlacementProblem[] {
  return plans.flatMap((plan, i) =>
    plans.slice(i + 1).flatMap((other) => {
      if (regionOf(plan.key) !== regionOf(other.key) || sideOf(plan.key) !== sideOf(other.key)) return [];
      const sizes = plan.sizes.filter((own) => {
        const twin = other.sizes.find(({ size }) => size === own.size);
        return twin !== undefined && meet(boxOf(kind, plan, own), boxOf(kind, other, twin));
      });
      if (sizes.length === 0) return [];
      return [
        {
          said: say('place.overlap', { sizes: sizes.map(({ size }) => size), one: plan.key, two: other.key }),
          waysOut: [say('way.apart')],
        },
      ];
    }),
  );
}

function boxOf(kind: BlankKind, { key }: PlacementPlan, own: SizePlacement): Box {
  const outline = outlineOf(kind, key);
  const grown = outlineScale(outline, own.bodyWidthMm);
  const { x, y } = printTop(key, own.dropMm / grown);
  const [middle, top] = [x * grown, y * grown];
  return {
    left: middle - own.widthMm / 2,
    right: middle + own.widthMm / 2,
    top,
    bottom: top + own.heightMm,
  };
}

const meet = (p: Box, q: Box): boolean =>
  p.left < q.right && q.left < p.right && p.top < q.bottom && q.top < p.bottom;
