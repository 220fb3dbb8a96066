import type { LaydownFit, Material } from '@saltflat/contract';
import { fitInkLaydown, fitPowderLoading } from '@saltflat/core/learn';
import type { Belief, Weighing } from '@saltflat/core/learn';

/** A weighing of a print, and the material that was laid on. */
export type MaterialWeighing = Weighing & { materialId: string };

interface Fitted {
  fit: LaydownFit;
  /** What stands in the material's document instead of the assumption. */
  properties: Record<string, number | string>;
}

/** The materials with their laydowns as weighed in this shop, where there are weighings; the assumption stays in the database. */
export function withWeighings(
  materials: readonly Material[],
  weighings: readonly MaterialWeighing[],
): Material[] {
  return materials.map((material) => {
    const fitted = fitOf(material, weighings);
    return fitted && fitted.fit.weighings > 0
      ? { ...material, properties: { ...material.properties, ...fitted.properties, status: 'weighed' } }
      : material;
  });
}

/** What every ink and powder lays down, by assumption and by weighing. */
export const laydownFits = (
  materials: readonly Material[],
  weighings: readonly MaterialWeighing[],
): LaydownFit[] => materials.flatMap((material) => fitOf(material, weighings)?.fit ?? []);

function fitOf(
  { id, kind, name, properties }: Material,
  weighings: readonly MaterialWeighing[],
): Fitted | null {
  const own = weighings.filter(({ materialId }) => materialId === id);
  const amount = (what: string, unit: string, assumed: number, { value, sd }: Belief) => ({
    what,
    unit,
    assumed,
    value: rounded(value),
    sd: rounded(sd),
  });
  if (kind === 'ink') {
    const assumed = { colourMlM2: Number(properties.colourMlM2), whiteMlM2: Number(properties.whiteMlM2) };
    const { colourMlM2, whiteMlM2 } = fitInkLaydown(assumed, own);
    return {
      fit: {
        material: name,
        weighings: own.length,
        amounts: [
          amount('colour', 'ml/m²', assumed.colourMlM2, colourMlM2),
          amount('white', 'ml/m²', assumed.whiteMlM2, whiteMlM2),
        ],
      },
      properties: { colourMlM2: rounded(colourMlM2.value), whiteMlM2: rounded(whiteMlM2.value) },
    };
  }
  if (kind !== 'powder') return null;
  const assumed = Number(properties.gM2);
  const loading = fitPowderLoading(assumed, own);
  return {
    fit: { material: name, weighings: own.length, amounts: [amount('powder', 'g/m²', assumed, loading)] },
    properties: { gM2: rounded(loading.value) },
  };
}

const rounded = (value: number): number => Math.round(100 * value) / 100;
