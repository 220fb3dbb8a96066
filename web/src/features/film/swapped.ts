import type { Placement } from '@saltflat/core/film';

/** Placements with two of them in each other’s place, on its sheet and by its upper left corner; both stay as they are turned. */
export const swapped = (
  placements: readonly Placement[],
  one: Placement,
  other: Placement,
): readonly Placement[] => {
  const to = ({ sheet, xMm, yMm }: Placement): Pick<Placement, 'sheet' | 'xMm' | 'yMm'> => ({
    sheet,
    xMm,
    yMm,
  });
  return placements.map((own) => {
    if (own === one) return { ...own, ...to(other) };
    return own === other ? { ...own, ...to(one) } : own;
  });
};
