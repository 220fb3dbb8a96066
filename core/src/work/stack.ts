/** Materials of a press stack, by class; the figures of each class are a heat model's. */
export const STACK_MATERIALS = [
  'parchment',
  'kraft',
  'ptfe',
  'silicone-mat',
  'film',
  'transfer-ink',
  'direct-ink',
  'adhesive-fused',
  'adhesive-powder',
  'cotton-jersey',
  'fleece',
  'polyester-knit',
  'cap-twill',
  'canvas',
  'buckram',
  'cap-foam',
  'leatherette',
  'sponge-pad',
  'solid-pad',
] as const;
export type StackMaterial = (typeof STACK_MATERIALS)[number];

/** One layer under the plate. */
export interface StackLayer {
  material: StackMaterial;
  dMm: number;
  /** Water it brings along, g/m². */
  waterGM2: number;
}

/**
 * How two neighbours touch, as a model of the press asks: what passes heat at a joint is a matter of what meets there.
 */
export const JOINTS = [
  'plate-cover', // the plate on a cover sheet, film or bare print
  'mat', // anything soft and thick on what is under it
  'cover-work', // cover sheet on film, ink or fabric
  'glue-fabric', // transfer's glue on what it is to hold to: the joint a bond is made at
  'fabric-fabric',
  'fabric-pad',
  'bonded', // layers that are one: film and its ink, ink and its glue, ink in fibre
  'loose', // lying, not pressed
  'open', // nothing above but air
] as const;
export type Joint = (typeof JOINTS)[number];

/** What is heated in one phase, from the plate down. */
export interface Stack {
  /** Top to bottom, without the pad. */
  layers: StackLayer[];
  /** From above the first layer to under the last one: one more than there are layers. */
  joints: Joint[];
  /** What it all lies on; `null` where there is none, as on a griddle or in an oven. */
  pad: StackLayer | null;
}

const COVERS = new Set<StackMaterial>(['parchment', 'kraft', 'ptfe']);
const GLUES = new Set<StackMaterial>(['adhesive-fused', 'adhesive-powder']);
const INKS = new Set<StackMaterial>(['transfer-ink', 'direct-ink']);

/**
 * A stack with its joints named by what meets at each.
 *
 * @param layers top to bottom
 * @param isPressed whether a plate bears on it
 * @param isBonded whether the glue in it has been bonded to what is under it before
 */
export function stackFrom(
  layers: readonly StackLayer[],
  pad: StackLayer | null,
  { isPressed, isBonded }: { isPressed: boolean; isBonded: boolean },
): Stack {
  const between = layers.slice(1).map(({ material }, i) => jointOf(layers[i].material, material, isBonded));
  return {
    layers: [...layers],
    joints:
      layers.length === 0
        ? []
        : [
            !isPressed ? 'open' : layers[0].material === 'silicone-mat' ? 'mat' : 'plate-cover',
            ...between,
            pad !== null && isPressed ? 'fabric-pad' : 'loose',
          ],
    pad,
  };
}

function jointOf(upper: StackMaterial, lower: StackMaterial, isBonded: boolean): Joint {
  if (upper === 'silicone-mat') return 'mat';
  if (COVERS.has(upper)) return 'cover-work';
  if (upper === 'leatherette') return 'glue-fabric'; // a patch brings its own
  const isOneThing =
    upper === 'film' ||
    (INKS.has(upper) && (GLUES.has(lower) || lower === 'film')) ||
    upper === 'direct-ink' ||
    (GLUES.has(upper) && INKS.has(lower));
  if (isOneThing) return 'bonded';
  if (GLUES.has(upper)) return isBonded ? 'bonded' : 'glue-fabric';
  return 'fabric-fabric';
}
