import type { Boundary, Dose, Layer, Phase, Problem, Stack } from '@saltflat/core/conduction';
import type { TSchema } from 'typebox';
import { DomainError } from '../problems.ts';
import type { FieldProblem } from '../problems.ts';
import type { Static } from '../scalars.ts';
import { parse, refusedFields } from '../validate.ts';
import { HEATER, HeatCaseDocument, LAYERS, LOSS, SIDES, figuresIn } from './documents.ts';
import type { LayerDocument, ReadStack, SideDocument, StackDocument } from './documents.ts';
import { faultsOfNames } from './names.ts';

/**
 * Reads a case from a file.
 *
 * @throws DomainError `invalid-input` naming every field that is wrong and what would be right
 */
export function readHeatCase(data: unknown): Problem {
  const document = parse(HeatCaseDocument, data);
  const faults: FieldProblem[] = [];
  /** Reads a part by its own schema, under the path and name it has in the whole. */
  const part = <T extends TSchema>(schema: T, own: unknown, path: string, where: string): Static<T> => {
    try {
      return parse(schema, own);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      for (const field of error.extra.fields ?? [])
        faults.push({ path: path + field.path, message: `${where}: ${field.message}` });
      return own as Static<T>; // not used: the faults are thrown
    }
  };
  const layers = document.layers.map((own, i) =>
    part(LAYERS[own.kind ?? 'solid'], own, `/layers/${i}`, `Layer ${i + 1}`),
  ) as LayerDocument[];
  const sideOf = (stack: StackDocument, end: 'top' | 'bottom', p: number, s: number): SideDocument =>
    part(
      SIDES[stack[end].type],
      stack[end],
      `/phases/${p}/stacks/${s}/${end}`,
      `Phase ${p + 1}, ${end} of a stack`,
    );
  const stacks = document.phases.map((phase, p) =>
    phase.stacks.map((own, s) => ({
      ...own,
      top: sideOf(own, 'top', p, s),
      bottom: sideOf(own, 'bottom', p, s),
    })),
  );
  if (faults.length === 0) faults.push(...faultsOfNames(document, layers));
  if (faults.length > 0) throw refusedFields(faults);
  const { probes, doses = [], phases, output_times_s: outputS } = document;
  return {
    layers: layers.map(layerOf),
    probes,
    doses: doses.map(doseOf),
    phases: phases.map((phase, p) => phaseOf(phase, p, stacks[p] ?? [])),
    outputS,
  };
}

function layerOf(layer: LayerDocument): Layer {
  const { id, T0_C: initialC } = layer;
  if ('C_J_m2K' in layer) {
    const heater = figuresIn(layer, 'heater', HEATER);
    const loss = figuresIn(layer, 'loss', LOSS);
    const { q0: atSetWM2 = 0, Kp: gainWM2K = 0, T_set: setC, q_max: mostWM2 = Infinity } = heater;
    const { h: hWM2K, T_inf: ambientC } = loss;
    return {
      kind: 'lumped',
      id,
      initialC,
      capacityJM2K: layer.C_J_m2K,
      heater: setC === undefined ? null : { atSetWM2, gainWM2K, setC, mostWM2 },
      loss: hWM2K === undefined || ambientC === undefined ? null : { hWM2K, ambientC },
    };
  }
  const { melt } = layer;
  return {
    kind: 'solid',
    id,
    initialC,
    thicknessM: layer.thickness_m,
    kWMK: layer.k_W_mK,
    densityKgM3: layer.rho_kg_m3,
    specificHeatJKgK: layer.cp_J_kgK,
    waterKgM2: layer.water_kg_m2 ?? 0,
    melt: melt ? { fromC: melt.T1_C, toC: melt.T2_C, latentJKg: melt.latent_J_kg } : null,
  };
}

const doseOf = (dose: NonNullable<HeatCaseDocument['doses']>[number]): Dose => ({
  name: dose.name,
  probe: dose.probe,
  refC: dose.T_ref_C,
  activationJMol: dose.Ea_J_mol,
  refS: dose.t_ref_s,
  gateC: dose.T_gate_C ?? null,
  pressure: dose.p_exp ? { exponent: dose.p_exp, refKPa: dose.p_ref_kPa ?? 35 } : null,
});

function phaseOf(phase: HeatCaseDocument['phases'][number], i: number, stacks: ReadStack[]): Phase {
  return {
    name: phase.name ?? `phase ${i + 1}`,
    durationS: phase.duration_s,
    pressureKPa: phase.pressure_kPa ?? 0,
    boilC: phase.T_boil_C ?? 100,
    setC: phase.set_T ?? {},
    stacks: stacks.map((stack): Stack => ({
      layers: stack.layers,
      jointsWM2K: stack.contacts_W_m2K,
      resistanceM2KW: stack.layer_resistance_m2K_W ?? {},
      top: boundaryOf(stack.top, 'up'),
      bottom: boundaryOf(stack.bottom, 'down'),
    })),
  };
}

function boundaryOf(side: SideDocument, faces: 'up' | 'down'): Boundary {
  switch (side.type) {
    case 'adiabatic':
      return { kind: 'insulated' };
    case 'flux':
      return { kind: 'flux', fluxWM2: side.q_W_m2 };
    case 'convective':
      return { kind: 'convective', hWM2K: side.h_W_m2K, ambientC: side.T_inf_C };
    case 'platen':
      return { kind: 'plate', plateC: side.T_C, hWM2K: side.h_c_W_m2K };
    case 'open':
      return { kind: 'open', emissivity: side.emissivity, ...freeOf(side, faces) };
    case 'hover':
      return {
        kind: 'gap',
        plateC: side.T_platen_C,
        plateEmissivity: side.emissivity_platen,
        emissivity: side.emissivity_surface,
        gapM: side.gap_m,
        sideM: side.side_m,
        shieldM: side.g_s_m,
        ...freeOf(side, faces),
      };
  }
}

const freeOf = (side: Extract<SideDocument, { type: 'open' | 'hover' }>, faces: 'up' | 'down') => ({
  roomC: side.T_room_C,
  lengthM: side.L_char_m ?? 0.3,
  facing: side.facing ?? faces,
  leastHWM2K: side.h_min_W_m2K,
  evaporation:
    side.h_evap_W_m2K === undefined
      ? null
      : {
          hWM2K: side.h_evap_W_m2K,
          relativeHumidity: side.RH ?? 0.5,
          fullAboveKgM2: side.w_crit_kg_m2 ?? 0.03,
        },
});
