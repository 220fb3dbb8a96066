import type { Layer, SolidLayer } from './problem.ts';

/**
 * One layer cut into cells, with what they hold. Energies are areal enthalpies, J/m², zero at 0 °C.
 * The cells keep their state from phase to phase; a stack works on them in place.
 */
export interface LayerCells {
  layer: Layer;
  /** Share of the layer's thickness of each cell, top to bottom; sums to 1. */
  share: Float64Array;
  /** Dry heat capacity, J/m²K. */
  capacity: Float64Array;
  /** Latent heat of melting, J/m². */
  latent: Float64Array;
  /** Water, kg/m². */
  water: Float64Array;
  /** J/m². */
  enthalpy: Float64Array;
}

/** Above this a layer of a few millimetres has hardly any gradient: metals, W/mK. */
const METAL_KWMK = 5;
/** Growth of the graded cells: x/d = (e^{g s} − 1)/(e^g − 1). */
const GRADING = 2.5;

/** Which faces of a thick layer see quick changes. */
export type FineEnd = 'top' | 'both';

/**
 * Cuts a layer. Thin layers take one cell, thick ones cells that grow away from the neighbour that matters.
 *
 * @param fineEnd where cells are smallest in a thick layer: at its top, or at both its faces
 * @param mesh multiple of the usual number of cells
 */
export function cutLayer(layer: Layer, fineEnd: FineEnd, mesh: number): LayerCells {
  const share = layer.kind === 'lumped' ? Float64Array.of(1) : sharesOf(layer, fineEnd, mesh);
  const n = share.length;
  const cells: LayerCells = {
    layer,
    share,
    capacity: new Float64Array(n),
    latent: new Float64Array(n),
    water: new Float64Array(n),
    enthalpy: new Float64Array(n),
  };
  for (let i = 0; i < n; i++) {
    if (layer.kind === 'lumped') cells.capacity[i] = layer.capacityJM2K;
    else {
      const massKgM2 = layer.densityKgM3 * layer.thicknessM * share[i];
      cells.capacity[i] = massKgM2 * layer.specificHeatJKgK;
      cells.latent[i] = massKgM2 * (layer.melt?.latentJKg ?? 0);
      cells.water[i] = layer.waterKgM2 * share[i];
    }
  }
  return cells;
}

function sharesOf(layer: SolidLayer, fineEnd: FineEnd, mesh: number): Float64Array {
  const { thicknessM: d } = layer;
  const usual =
    layer.waterKgM2 > 0
      ? 20
      : layer.kWMK > METAL_KWMK
        ? 2
        : d <= 2e-4
          ? 1
          : d <= 1e-3
            ? 4
            : d <= 4e-3
              ? 8
              : 12;
  const n = Math.max(1, Math.round(usual * mesh));
  const isGraded = usual === 12;
  const share = new Float64Array(n);
  const isTwoSided = isGraded && fineEnd === 'both';
  const graded = (u: number): number => Math.expm1(GRADING * u) / Math.expm1(GRADING);
  const edge = (u: number): number => {
    if (!isGraded) return u;
    if (!isTwoSided) return graded(u);
    return u <= 0.5 ? graded(2 * u) / 2 : 1 - graded(2 - 2 * u) / 2;
  };
  for (let i = 0; i < n; i++) share[i] = edge((i + 1) / n) - edge(i / n);
  return share;
}
