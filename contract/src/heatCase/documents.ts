import { Type } from 'typebox';
import { strictObject } from '../scalars.ts';
import type { Static } from '../scalars.ts';

const Positive = (title: string) => Type.Number({ title, exclusiveMinimum: 0, maximum: 1e9 });
const AtLeast0 = (title: string) => Type.Number({ title, minimum: 0, maximum: 1e9 });
const TempC = (title: string) => Type.Number({ title, minimum: -50, maximum: 400 });
const Name = (title: string) => Type.String({ title, minLength: 1, maxLength: 100 });
const Conductance = (title: string) => Type.Union([Positive(title), Type.Null()], { title });
const Note = Type.Optional(Type.String());

const Solid = strictObject({
  id: Name('Layer'),
  kind: Type.Optional(Type.Literal('solid')),
  material: Note,
  note: Note,
  thickness_m: Positive('Thickness'),
  k_W_mK: Positive('Conductivity'),
  rho_kg_m3: Positive('Density'),
  cp_J_kgK: Positive('Specific heat'),
  T0_C: TempC('Starting temperature'),
  water_kg_m2: Type.Optional(AtLeast0('Water')),
  melt: Type.Optional(
    strictObject({
      T1_C: TempC('Melting begins'),
      T2_C: TempC('Melting ends'),
      latent_J_kg: Positive('Latent heat'),
    }),
  ),
});

export const HEATER = { q0: 'Power at the setting', Kp: 'Gain', T_set: 'Setting', q_max: 'Most power' };
export const LOSS = { h: 'Loss', T_inf: 'Ambient temperature' };
type Figures<K extends string> = Record<K, number>;

/** A body of one temperature; its heater and loss may stand in groups or on the layer itself, with their unit or without. */
const Lumped = Type.Object({
  id: Name('Layer'),
  kind: Type.Literal('lumped'),
  C_J_m2K: Positive('Heat capacity'),
  T0_C: TempC('Starting temperature'),
});

/** Those figures of a group that are given. */
export function figuresIn<K extends string>(
  layer: object,
  group: string,
  names: Record<K, string>,
): Partial<Figures<K>> {
  const inner = (layer as Record<string, unknown>)[group];
  const from = Object.entries({ ...layer, ...(typeof inner === 'object' ? inner : {}) });
  const found: Partial<Figures<K>> = {};
  for (const name of Object.keys(names) as K[]) {
    const value = from.find(([key]) => key === name || key.startsWith(`${name}_`))?.[1];
    if (typeof value === 'number') found[name] = value;
  }
  return found;
}

const free = {
  T_room_C: TempC('Room'),
  L_char_m: Type.Optional(Positive('Characteristic length')),
  facing: Type.Optional(Type.Enum(['up', 'down'], { title: 'Facing' })),
  h_min_W_m2K: AtLeast0('Least convection'),
  RH: Type.Optional(Type.Number({ title: 'Relative humidity', minimum: 0, maximum: 1 })),
  h_evap_W_m2K: Type.Optional(AtLeast0('Conductance of evaporation')),
  w_crit_kg_m2: Type.Optional(Positive('Water below which a surface dries')),
};
const Emissivity = Type.Number({ title: 'Emissivity', exclusiveMinimum: 0, maximum: 1 });

export const SIDES = {
  adiabatic: strictObject({ type: Type.Literal('adiabatic') }),
  flux: strictObject({ type: Type.Literal('flux'), q_W_m2: Type.Number({ title: 'Flux' }) }),
  convective: strictObject({
    type: Type.Literal('convective'),
    h_W_m2K: AtLeast0('Conductance'),
    T_inf_C: TempC('Ambient'),
  }),
  platen: strictObject({
    type: Type.Literal('platen'),
    T_C: TempC('Platen'),
    h_c_W_m2K: Conductance('Contact of the platen'),
  }),
  open: strictObject({ type: Type.Literal('open'), emissivity: Emissivity, ...free }),
  hover: strictObject({
    type: Type.Literal('hover'),
    T_platen_C: TempC('Platen'),
    gap_m: Positive('Gap'),
    side_m: Positive('Side of the platen'),
    emissivity_platen: Emissivity,
    emissivity_surface: Emissivity,
    g_s_m: Positive('Shielded gap'),
    ...free,
  }),
};
export const LAYERS = { solid: Solid, lumped: Lumped };
export type LayerDocument = Static<typeof Solid> | Static<typeof Lumped>;
export type SideDocument = Static<(typeof SIDES)[keyof typeof SIDES]>;

/** What says which kind it is is read first, so that what is wrong is told of that kind alone. */
const AnyLayer = Type.Object({
  kind: Type.Optional(Type.Enum(['solid', 'lumped'], { title: 'Kind of a layer' })),
});
const AnySide = Type.Object({
  type: Type.Enum(['adiabatic', 'flux', 'convective', 'platen', 'open', 'hover'], {
    title: 'Type of a boundary',
  }),
});

/** One problem for the heat model as a file: SI units, temperatures in °C, layers listed top to bottom. */
export const HeatCaseDocument = Type.Object(
  {
    layers: Type.Array(AnyLayer, { title: 'Layers', minItems: 1, maxItems: 40 }),
    probes: Type.Array(
      strictObject({
        name: Name('Probe'),
        layer: Name('Layer of a probe'),
        at: Type.Enum(['top', 'bottom', 'mid', 'mean'], { title: 'Place of a probe' }),
      }),
      { title: 'Probes', maxItems: 60 },
    ),
    doses: Type.Optional(
      Type.Array(
        strictObject({
          name: Name('Dose'),
          probe: Name('Probe of a dose'),
          T_ref_C: TempC('Reference temperature'),
          Ea_J_mol: AtLeast0('Activation energy'),
          t_ref_s: Positive('Reference time'),
          T_gate_C: Type.Optional(TempC('Gate')),
          p_exp: Type.Optional(AtLeast0('Exponent of pressure')),
          p_ref_kPa: Type.Optional(Positive('Reference pressure')),
        }),
        { title: 'Doses', maxItems: 60 },
      ),
    ),
    output_times_s: Type.Array(AtLeast0('Output time'), {
      title: 'Output times',
      minItems: 1,
      maxItems: 10_000,
    }),
    phases: Type.Array(
      strictObject({
        name: Type.Optional(Name('Name of a phase')),
        duration_s: Type.Number({ title: 'Duration of a phase', exclusiveMinimum: 0, maximum: 1e6 }),
        pressure_kPa: Type.Optional(Type.Number({ title: 'Pressure', minimum: 0, maximum: 1000 })),
        T_boil_C: Type.Optional(TempC('Boiling point')),
        set_T: Type.Optional(Type.Record(Type.String(), TempC('Temperature a layer begins anew at'))),
        stacks: Type.Array(
          strictObject({
            layers: Type.Array(Name('Layer of a stack'), { title: 'Layers of a stack', minItems: 1 }),
            contacts_W_m2K: Type.Array(Conductance('Contact'), { title: 'Contacts' }),
            layer_resistance_m2K_W: Type.Optional(
              Type.Record(Type.String(), Positive('Resistance of a layer')),
            ),
            top: AnySide,
            bottom: AnySide,
          }),
          { title: 'Stacks', minItems: 1 },
        ),
      }),
      { title: 'Phases', minItems: 1, maxItems: 500 },
    ),
  },
  { title: 'Heat case' }, // what else stands in the file, as a description or what was expected, is not read
);
export type HeatCaseDocument = Static<typeof HeatCaseDocument>;
export type StackDocument = HeatCaseDocument['phases'][number]['stacks'][number];
/** A stack whose sides have been read by what they are. */
export type ReadStack = Omit<StackDocument, 'top' | 'bottom'> & Record<'top' | 'bottom', SideDocument>;
