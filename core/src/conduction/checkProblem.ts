import type { Boundary, Layer, Problem } from './problem.ts';

const isPositive = (value: number): boolean => Number.isFinite(value) && value > 0;

function refuse(isWrong: boolean, sentence: string): void {
  if (isWrong) throw new RangeError(sentence);
}

/**
 * Holds a problem against what the solver assumes: finite figures, every name known, a joint between every two layers.
 *
 * @throws RangeError
 */
export function checkProblem({ layers, phases, probes, doses, outputS }: Problem): void {
  const ids = new Set(layers.map(({ id }) => id));
  refuse(layers.length === 0 || phases.length === 0, 'a problem needs a layer and a phase at least');
  refuse(ids.size !== layers.length, 'two layers have the same id');
  for (const layer of layers) checkLayer(layer);
  for (const { name, durationS, stacks, setC, pressureKPa } of phases) {
    refuse(!isPositive(durationS), `phase “${name}” lasts ${durationS} s: more than 0 is needed`);
    refuse(!(pressureKPa >= 0), `phase “${name}” has a pressure of ${pressureKPa} kPa: 0 or more is needed`);
    const used = stacks.flatMap((stack) => stack.layers);
    refuse(new Set(used).size !== used.length, `phase “${name}” uses a layer twice`);
    for (const id of [...used, ...Object.keys(setC)])
      refuse(!ids.has(id), `phase “${name}” names layer “${id}”, which there is not`);
    for (const { layers: own, jointsWM2K, top, bottom, resistanceM2KW } of stacks) {
      refuse(own.length === 0, `phase “${name}” has an empty stack`);
      refuse(
        jointsWM2K.length !== own.length - 1,
        `phase “${name}” has ${jointsWM2K.length} joints for ${own.length} layers: one fewer than layers is needed`,
      );
      for (const h of [...jointsWM2K.filter((own2) => own2 !== null), ...Object.values(resistanceM2KW)])
        refuse(
          !isPositive(h),
          `phase “${name}” has a conductance or resistance of ${h}: more than 0 is needed`,
        );
      for (const boundary of [top, bottom]) checkBoundary(boundary, name);
    }
  }
  for (const { name, layer } of probes)
    refuse(!ids.has(layer), `probe “${name}” looks at layer “${layer}”, which there is not`);
  for (const { name, probe, refS } of doses) {
    refuse(
      !probes.some((own) => own.name === probe),
      `dose “${name}” reads probe “${probe}”, which there is not`,
    );
    refuse(!isPositive(refS), `dose “${name}” has a reference time of ${refS} s: more than 0 is needed`);
  }
  refuse(
    outputS?.some((t, i) => !(t >= 0) || (i > 0 && t <= (outputS[i - 1] ?? 0))) ?? false,
    'output times must ascend from 0 s or later',
  );
}

function checkLayer(layer: Layer): void {
  const { id, initialC } = layer;
  refuse(!Number.isFinite(initialC), `layer “${id}” has no starting temperature`);
  if (layer.kind === 'lumped') {
    refuse(
      !isPositive(layer.capacityJM2K),
      `layer “${id}” has a heat capacity of ${layer.capacityJM2K} J/m²K: more than 0 is needed`,
    );
    return;
  }
  const { thicknessM, kWMK, densityKgM3, specificHeatJKgK, waterKgM2, melt } = layer;
  const named = {
    thickness: thicknessM,
    conductivity: kWMK,
    density: densityKgM3,
    'specific heat': specificHeatJKgK,
  };
  for (const [what, value] of Object.entries(named))
    refuse(!isPositive(value), `layer “${id}” has a ${what} of ${value}: more than 0 is needed`);
  refuse(!(waterKgM2 >= 0), `layer “${id}” has ${waterKgM2} kg/m² of water: 0 or more is needed`);
  refuse(waterKgM2 > 0 && melt !== null, `layer “${id}” holds water and melts: one of the two at most`);
  refuse(
    melt !== null && !(melt.toC > melt.fromC),
    `layer “${id}” melts from ${melt?.fromC} to ${melt?.toC} °C: the end must be above the start`,
  );
}

function checkBoundary(boundary: Boundary, phase: string): void {
  if (boundary.kind === 'plate')
    refuse(
      !Number.isFinite(boundary.plateC) || (boundary.hWM2K !== null && !isPositive(boundary.hWM2K)),
      `phase “${phase}” has a plate without a temperature or contact`,
    );
  if (boundary.kind === 'gap')
    refuse(
      !isPositive(boundary.gapM) || !isPositive(boundary.sideM),
      `phase “${phase}” has a gap of ${boundary.gapM} m: more than 0 is needed`,
    );
}
