import type { FieldProblem } from '../problems.ts';
import { HEATER, LOSS, figuresIn } from './documents.ts';
import type { HeatCaseDocument, LayerDocument } from './documents.ts';

/** What a schema cannot say: every name is known, there is a joint between every two layers, times ascend and end in time. */
export function faultsOfNames(document: HeatCaseDocument, layers: readonly LayerDocument[]): FieldProblem[] {
  return [
    ...layerFaults(layers),
    ...phaseFaults(document, layers),
    ...questionFaults(document, layers),
  ].filter((fault) => fault !== null);
}

const when = (isWrong: boolean, path: string, message: string): FieldProblem | null =>
  isWrong ? { path, message } : null;

const knownIn = (layers: readonly LayerDocument[]): string => layers.map(({ id }) => `“${id}”`).join(', ');

function layerFaults(layers: readonly LayerDocument[]): (FieldProblem | null)[] {
  return [
    when(
      new Set(layers.map(({ id }) => id)).size !== layers.length,
      '/layers',
      'Two layers have the same id: give each its own.',
    ),
    ...layers.flatMap((layer, i) => {
      const path = `/layers/${i}`;
      if (!('C_J_m2K' in layer))
        return when(
          layer.melt !== undefined && (layer.water_kg_m2 ?? 0) > 0,
          path,
          `Layer “${layer.id}” holds water and melts: one of the two at most.`,
        );
      const heater = figuresIn(layer, 'heater', HEATER);
      const { h, T_inf: ambient } = figuresIn(layer, 'loss', LOSS);
      return [
        when(
          Object.keys(heater).length > 0 && heater.T_set === undefined,
          path,
          `The heater of layer “${layer.id}” needs T_set, and q0, Kp and q_max as it has them.`,
        ),
        when(
          (h === undefined) !== (ambient === undefined),
          path,
          `The loss of layer “${layer.id}” needs both h and T_inf.`,
        ),
      ];
    }),
  ];
}

function phaseFaults(
  { phases }: HeatCaseDocument,
  layers: readonly LayerDocument[],
): (FieldProblem | null)[] {
  const ids = new Set(layers.map(({ id }) => id));
  const unknown = (p: number, id: string, path: string): FieldProblem | null =>
    when(!ids.has(id), path, `Phase ${p + 1} names layer “${id}”; there are ${knownIn(layers)}.`);
  return phases.flatMap(({ stacks, set_T: anew = {} }, p) => {
    const used = stacks.flatMap((stack) => stack.layers);
    return [
      when(new Set(used).size !== used.length, `/phases/${p}/stacks`, `Phase ${p + 1} uses a layer twice.`),
      ...Object.keys(anew).map((id) => unknown(p, id, `/phases/${p}/set_T`)),
      ...stacks.flatMap(
        ({ layers: own, contacts_W_m2K: contacts, layer_resistance_m2K_W: lofted = {} }, s) => {
          const path = `/phases/${p}/stacks/${s}`;
          return [
            ...[...own, ...Object.keys(lofted)].map((id) => unknown(p, id, `${path}/layers`)),
            when(
              contacts.length !== own.length - 1,
              `${path}/contacts_W_m2K`,
              `Phase ${p + 1} has ${contacts.length} contacts for ${own.length} layers: ${own.length - 1} are needed.`,
            ),
          ];
        },
      ),
    ];
  });
}

function questionFaults(
  { probes, doses = [], phases, output_times_s: times }: HeatCaseDocument,
  layers: readonly LayerDocument[],
): (FieldProblem | null)[] {
  const ids = new Set(layers.map(({ id }) => id));
  const wholeS = phases.reduce((all, own) => all + own.duration_s, 0);
  const lastS = times.at(-1) ?? 0;
  return [
    ...probes.map(({ name, layer }, i) =>
      when(
        !ids.has(layer),
        `/probes/${i}/layer`,
        `Probe “${name}” looks at layer “${layer}”; there are ${knownIn(layers)}.`,
      ),
    ),
    ...doses.map(({ name, probe }, i) =>
      when(
        !probes.some((own) => own.name === probe),
        `/doses/${i}/probe`,
        `Dose “${name}” reads probe “${probe}”, which is not among the probes.`,
      ),
    ),
    when(
      times.some((t, i) => i > 0 && t <= (times[i - 1] ?? 0)),
      '/output_times_s',
      'Output times must ascend.',
    ),
    when(
      lastS > wholeS * (1 + 1e-9),
      '/output_times_s',
      `The last output time is ${lastS} s, but the phases end at ${wholeS} s.`,
    ),
  ];
}
