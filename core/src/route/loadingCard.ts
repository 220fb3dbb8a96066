import { hasFeature, pressedThicknessMm } from '../blank/index.ts';
import {
  crossesPocket,
  dropFrom,
  outlineOf,
  outlineScale,
  pocketTopMm,
  printTop,
} from '../placement/index.ts';
import type { PlacementPlan, SizePlacement } from '../placement/index.ts';
import type { PrintInput } from './documents.ts';
import { printerFor } from './equip.ts';
import { isSplitOpen } from './fabric.ts';
import { PADDED } from './loading.ts';
import type { LoadedSize, LoadingCard } from './loading.ts';

/** So near the garment's side a print is taken to run off it: a body is never laid that exactly, mm (assumption). */
const EDGE_MM = 10;
/** Cloth that nothing presses is so much thicker (as where it dries). */
const LOFT = 1.4;
const RISER_STEP_MM = 0.5; // card and foam come in halves

/**
 * The card a person loads by, to scale.
 *
 * @returns `null` off a direct printer, and where no platen takes the print
 */
export function loadingCard(input: PrintInput, placement: PlacementPlan): LoadingCard | null {
  if (input.process !== 'dtg' || placement.platen === null) return null;
  const platen = printerFor(input).platens.find(({ name }) => name === placement.platen);
  if (platen === undefined) return null;
  const { garment } = input;
  const isOver = crossesPocket(garment, placement.key, placement.sizes);
  const isSplit = isSplitOpen(input);
  return {
    platen: { name: platen.name, widthMm: platen.widthMm, heightMm: platen.heightMm },
    kind: garment.kind,
    edge: dropFrom(placement.key, garment.kind) === 'collar' ? 'collar' : 'edge',
    isSplit,
    isHooped: !isSplit && garment.kind !== 'tote' && garment.kind !== 'bag',
    sizes: placement.sizes.map((own) => loadedSize(input, own, { platen, isOver })),
    riserMm: isOver ? upToStep(LOFT * pressedThicknessMm(garment)) : null,
    pad: PADDED.filter((feature) => hasFeature(garment, feature)),
  };
}

function loadedSize(
  { garment, placement }: PrintInput,
  own: SizePlacement,
  { platen, isOver }: { platen: { widthMm: number; heightMm: number }; isOver: boolean },
): LoadedSize {
  const { size, bodyWidthMm, dropMm, widthMm, heightMm } = own;
  const outline = outlineOf(garment.kind, placement.key);
  const scale = outlineScale(outline, bodyWidthMm);
  // what hangs too low for the platen is pulled up over its edge, by just as much
  const edgeAboveMm = Math.max(0, Math.round(dropMm + heightMm - platen.heightMm));
  const print = {
    xMm: Math.round((platen.widthMm - widthMm) / 2),
    yMm: Math.round(dropMm - edgeAboveMm),
    widthMm,
    heightMm,
  };
  const top = printTop(placement.key, dropMm / scale);
  const at = { xMm: platen.widthMm / 2 - top.x * scale, yMm: print.yMm - top.y * scale };
  const half = (outline.bodyWidthMm * scale) / 2 - EDGE_MM;
  const [left, right] = [print.xMm - at.xMm, print.xMm + widthMm - at.xMm]; // from the garment's middle
  const lowestMm = at.yMm + (outline.box.y + outline.box.height) * scale - EDGE_MM;
  const pocketMm = isOver ? print.yMm - dropMm + (pocketTopMm(garment) ?? 0) : null;
  return {
    size,
    scale,
    garment: at,
    edgeAboveMm,
    print,
    tape: [
      ...(left < -half ? ['left' as const] : []),
      ...(right > half ? ['right' as const] : []),
      ...(print.yMm + heightMm > lowestMm ? ['below' as const] : []),
    ],
    riser:
      pocketMm !== null && print.yMm + heightMm > pocketMm
        ? { fromMm: Math.max(0, print.yMm - EDGE_MM), toMm: pocketMm }
        : null,
  };
}

const upToStep = (mm: number): number => RISER_STEP_MM * Math.ceil(mm / RISER_STEP_MM - 1e-9);
