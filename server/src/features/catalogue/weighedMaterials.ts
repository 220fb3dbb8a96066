import type { LaydownFit, Learnt, Material } from '@saltflat/contract';
import { fitInkLaydown, fitPowderLoading } from '@saltflat/core/learn';
import type { Belief, Weighing } from '@saltflat/core/learn';

/** A weighing of a print, and the material that was laid on. */
export type MaterialWeighing = Weighing & { materialId: string };

/** A figure that is assumed of a material and learnt by weighing. */
interface Figure {
  /** Its name in the material's document. */
  key: string;
  what: string;
  unit: string;
  assumed: number;
  learnt: Belief;
}

/** The materials with what this shop's weighings say of them beside what is assumed. */
export const withWeighings = (
  materials: readonly Material[],
  weighings: readonly MaterialWeighing[],
): Material[] =>
  materials.map((material) => {
    const own = weighings.filter(({ materialId }) => materialId === material.id);
    return own.length === 0 ? material : { ...material, learnt: learntFrom(material, own) };
  });

function learntFrom(material: Material, own: readonly MaterialWeighing[]): Learnt | null {
  const figures = figuresOf(material, own);
  if (figures.length === 0) return null;
  const values = figures.map(({ key, learnt: { value, sd } }) => [
    key,
    { value: rounded(value), sd: rounded(sd) },
  ]);
  return { weighings: own.length, values: Object.fromEntries(values) as Learnt['values'] };
}

/** What every ink and powder lays down, by assumption and by weighing. */
export const laydownFits = (
  materials: readonly Material[],
  weighings: readonly MaterialWeighing[],
): LaydownFit[] =>
  materials.flatMap((material) => {
    const own = weighings.filter(({ materialId }) => materialId === material.id);
    const amounts = figuresOf(material, own).map(({ what, unit, assumed, learnt: { value, sd } }) => ({
      what,
      unit,
      assumed,
      value: rounded(value),
      sd: rounded(sd),
    }));
    return amounts.length === 0 ? [] : [{ material: material.name, weighings: own.length, amounts }];
  });

/** From the assumption, never from what was learnt before: each weighing counts once. */
function figuresOf({ kind, properties }: Material, own: readonly MaterialWeighing[]): Figure[] {
  if (kind === 'ink') {
    const assumed = { colourMlM2: Number(properties.colourMlM2), whiteMlM2: Number(properties.whiteMlM2) };
    const { colourMlM2, whiteMlM2 } = fitInkLaydown(assumed, own);
    return [
      { key: 'colourMlM2', what: 'colour', unit: 'ml/m²', assumed: assumed.colourMlM2, learnt: colourMlM2 },
      { key: 'whiteMlM2', what: 'white', unit: 'ml/m²', assumed: assumed.whiteMlM2, learnt: whiteMlM2 },
    ];
  }
  if (kind !== 'powder') return [];
  const assumed = Number(properties.gM2);
  return [{ key: 'gM2', what: 'powder', unit: 'g/m²', assumed, learnt: fitPowderLoading(assumed, own) }];
}

const rounded = (value: number): number => Math.round(100 * value) / 100;
