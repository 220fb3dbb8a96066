import { boilingC } from '../conduction/index.ts';
import type {
  Boundary,
  Dose,
  FreeSurface,
  Phase as HeatPhase,
  Probe,
  Problem,
  SolidLayer,
  Stack,
} from '../conduction/index.ts';
import { phaseS, plannedMode } from '../work/index.ts';
import type { Heat, Joint, Operation, Phase, StackLayer } from '../work/index.ts';
import type { HeatConditions, KnownPress } from './conditions.ts';
import { dosesAt } from './harms.ts';
import { isCloth, isCover, isGlue, isWork, loftedM2KW, solidOf, steelBase, tableTop } from './materials.ts';
import type { HeatParameters } from './parameters.ts';

/** How long a piece rests after an operation, and when its film comes off meanwhile. */
export interface Afterwards {
  /** s; 0 for none. */
  forS: number;
  /** After the rest's beginning, s; `null` where the film stays, or there is none. */
  peelAfterS: number | null;
  on: 'wood' | 'metal' | 'press';
}

/** An operation with heat, and all it takes to work out what it does. */
export interface OperationInHeat {
  operation: Operation;
  /** Parts in the unit that is worked on at once. */
  parts: number;
  after: Afterwards;
  /** Temperatures layers come with, °C by their id; those that are not here come from the room. */
  startC: Readonly<Record<string, number>>;
}

/** A stack's layer with the name it has throughout an operation. */
interface Named extends StackLayer {
  id: string;
}

/** An operation as the solver takes it. */
export interface OperationCase {
  problem: Problem;
  /** From the operation's beginning to the first heat, s: nothing happens to the work before. */
  startS: number;
  /** Closings and other heats, from the first one's beginning, s. */
  heats: { fromS: number; toS: number; tempC: number; kPa: number }[];
  /** Its own and the rest after it, s. */
  endS: number;
  /** Ids of the layers that go on to the next operation. */
  carried: string[];
}

const MAT_PARKED = 0.79; // of the way from room to plate (class value: 135 °C under 165)
const PTFE_START_C = 60; // kept on a press in use (assumption)
const FORM_LAG = 0.125; // a pad on a heated form is this much of the way back to the room (class value)
const HEATED_FORM_C = 45; // a lower half that is set below is off
const PLATE_SIDE_M = 0.38;
const SURFACE = { emissivity: 0.9, lengthM: 0.3 };

/**
 * Turns an operation's phases, stacks and machine into a case for the solver. Its layers keep their names from phase to phase,
 * so that a garment goes on cooling between two closings and on the table.
 *
 * @returns `null` for an operation without heat
 */
export function operationCase(
  { operation, parts, after, startC }: OperationInHeat,
  conditions: HeatConditions,
  press: KnownPress,
  parameters: HeatParameters,
): OperationCase | null {
  const { phases } = plannedMode(operation);
  const isHot = phases.map(({ heat }) => heat !== null);
  const first = isHot.indexOf(true);
  const last = isHot.lastIndexOf(true);
  if (first < 0) return null;
  const scene = new Scene({ conditions, press, parameters, startC });
  const made: HeatPhase[] = [];
  const heats: OperationCase['heats'] = [];
  let atS = 0;
  let heat = phases[first].heat as Heat;
  for (const [i, phase] of phases.entries()) {
    if (i < first) continue;
    heat = phase.heat ?? heat;
    const durationS = phaseS(phase, parts);
    if (durationS <= 0) continue;
    made.push(scene.phase(phase, heat, { durationS, isOver: i > last }));
    if (phase.heat)
      heats.push({
        fromS: atS,
        toS: atS + durationS,
        tempC: phase.heat.tempC + press.offsetC,
        kPa: phase.heat.press.kPa,
      });
    atS += durationS;
  }
  for (const rest of restsOf(after)) {
    made.push(scene.rest(heat, rest, after.on));
    atS += rest.durationS;
  }
  const { probes, doses } = scene.questions(conditions);
  return {
    problem: { layers: scene.layers(), phases: made, probes, doses, outputS: null },
    startS: phases.slice(0, first).reduce((sum, phase) => sum + phaseS(phase, parts), 0),
    heats,
    endS: atS,
    carried: scene.carried(),
  };
}

function restsOf({ forS, peelAfterS }: Afterwards): { durationS: number; hasFilm: boolean }[] {
  if (forS <= 0) return [];
  const filmS = Math.min(forS, peelAfterS ?? forS);
  return [
    { durationS: filmS, hasFilm: true },
    { durationS: forS - filmS, hasFilm: false },
  ].filter(({ durationS }) => durationS > 0);
}

interface Setting {
  conditions: HeatConditions;
  press: KnownPress;
  parameters: HeatParameters;
  startC: Readonly<Record<string, number>>;
}

/** The layers of one operation, made as they are first met, and the stacks they lie in. */
class Scene {
  private readonly made = new Map<string, SolidLayer>();
  private readonly work = new Map<string, StackLayer>();

  constructor(private readonly own: Setting) {}

  layers(): SolidLayer[] {
    return [...this.made.values()];
  }

  /** A phase of the operation: in the heat, open between two closings, or on its way out. */
  phase(phase: Phase, heat: Heat, { durationS, isOver }: { durationS: number; isOver: boolean }): HeatPhase {
    if (phase.heat) return { ...this.hot(heat), name: phase.label, durationS, setC: {} };
    if (isOver) return this.rest(heat, { durationS, hasFilm: true }, 'press');
    return { ...this.vented(heat), name: phase.label, durationS, pressureKPa: 0, boilC: 100, setC: {} };
  }

  /** Out of the heat: without its cover, on the pad it was on or on a table. */
  rest(
    heat: Heat,
    { durationS, hasFilm }: { durationS: number; hasFilm: boolean },
    on: Afterwards['on'],
  ): HeatPhase {
    const kept = this.kept(heat).filter(({ material }) => hasFilm || material !== 'film');
    const ids = kept.map(({ id }) => id);
    const under = on === 'press' ? this.padIds(heat) : this.table(on);
    const { parameters } = this.own;
    const onto = on === 'press' ? parameters['contact-open'] : parameters['contact-draped'];
    return {
      name: 'rest',
      durationS,
      pressureKPa: 0,
      boilC: 100,
      setC: {},
      stacks: [
        this.stack([...ids, ...under], {
          joints: [
            ...this.looseJoints(kept),
            ...(under.length > 0 ? [onto] : []),
            ...under.slice(1).map(() => parameters['contact-base']),
          ],
          resistances: this.lofted(kept),
          top: this.air('up'),
          bottom: this.air('down'),
        }),
      ],
    };
  }

  carried(): string[] {
    return [...this.work.entries()]
      .filter(([, { material }]) => isWork(material) || isGlue(material) || material.endsWith('-ink'))
      .map(([id]) => id);
  }

  questions({ garment }: HeatConditions): { probes: Probe[]; doses: Dose[] } {
    const ids = [...this.work.entries()].map(([id, { material }]) => ({ id, material }));
    return dosesAt(ids, garment, this.own.parameters);
  }

  /** The stack in the heat, with what heats it. */
  private hot({ tempC, press, stack }: Heat): Pick<HeatPhase, 'stacks' | 'pressureKPa' | 'boilC'> {
    const { parameters, press: known } = this.own;
    const plateC = tempC + known.offsetC + parameters['plate-error'];
    const kPa = press.kPa * parameters.pressure;
    const isClosed = press.over === 'platen';
    const named = this.named(stack.layers, plateC);
    const { ids: padIds, bottom, contact } = this.lower(stack.pad, press.lowerC, isClosed ? kPa : null);
    const inner = named
      .slice(1)
      .map((lower, i) =>
        this.joint(stack.joints[i + 1] ?? 'fabric-fabric', isClosed ? kPa : null, named[i], lower),
      );
    const onPad = padIds.length > 0 ? [contact(named.at(-1))] : [];
    const baseJoints = padIds.slice(1).map(() => this.pressed('contact-base', isClosed ? kPa : null));
    const top = this.above(press, plateC, kPa);
    const under: Boundary =
      padIds.length > 0
        ? bottom
        : press.over === 'below'
          ? { kind: 'plate', plateC, hWM2K: parameters['contact-loose'] }
          : press.over === 'chamber'
            ? { kind: 'convective', hWM2K: parameters.oven, ambientC: plateC }
            : this.air('down');
    return {
      pressureKPa: isClosed ? kPa : 0,
      boilC: isClosed ? boilingC(101.325 + parameters['boil-share'] * kPa) : 100,
      stacks: [
        this.stack([...named.map(({ id }) => id), ...padIds], {
          joints: [...inner, ...onPad, ...baseJoints],
          resistances: isClosed ? {} : this.lofted(named),
          top,
          bottom: under,
        }),
      ],
    };
  }

  private above({ over, gapMm }: Heat['press'], plateC: number, kPa: number): Boundary {
    const { parameters } = this.own;
    if (over === 'platen') return { kind: 'plate', plateC, hWM2K: this.pressed('contact-plate', kPa) };
    if (over === 'chamber') return { kind: 'convective', hWM2K: parameters.oven, ambientC: plateC };
    if (over === 'below') return this.air('up');
    return {
      kind: 'gap',
      plateC,
      plateEmissivity: 0.9,
      gapM: gapMm / 1000,
      sideM: PLATE_SIDE_M,
      shieldM: parameters.shield,
      ...this.surface('up'),
    };
  }

  /** Pad and base under the work, and what is below them. */
  private lower(pad: StackLayer | null, lowerC: number | null, kPa: number | null) {
    const { parameters, conditions } = this.own;
    const isHeated = lowerC !== null && lowerC > HEATED_FORM_C;
    const padC = isHeated ? lowerC - FORM_LAG * (lowerC - conditions.roomC) : parameters['pad-start'];
    const ids = pad === null ? [] : ['pad', ...(isHeated ? [] : ['base'])];
    if (pad !== null && !this.made.has('pad')) {
      this.made.set('pad', solidOf(pad, 'pad', padC, parameters));
      if (!isHeated) this.made.set('base', steelBase('base', padC - 5));
    }
    const bottom: Boundary = isHeated
      ? { kind: 'plate', plateC: lowerC, hWM2K: this.pressed('contact-base', kPa) }
      : this.air('down');
    const contact = (above: Named | undefined): number =>
      kPa !== null
        ? this.pressed('contact-pad', kPa)
        : parameters[above !== undefined && isWork(above.material) ? 'contact-open' : 'contact-loose'];
    return { ids, bottom, contact };
  }

  /** Opened between two closings: the cover is off and the steam gets out. */
  private vented(heat: Heat): Pick<HeatPhase, 'stacks'> {
    const kept = this.kept(heat);
    const covers = this.named(heat.stack.layers, heat.tempC).filter(({ material }) => isCover(material));
    const under = this.padIds(heat);
    const { parameters } = this.own;
    return {
      stacks: [
        this.stack([...kept.map(({ id }) => id), ...under], {
          joints: [
            ...this.looseJoints(kept),
            ...(under.length > 0 ? [parameters['contact-open']] : []),
            ...under.slice(1).map(() => parameters['contact-base']),
          ],
          resistances: this.lofted(kept),
          top: this.air('up'),
          bottom: this.air('down'),
        }),
        ...covers.map(({ id }) =>
          this.stack([id], { joints: [], resistances: {}, top: this.air('up'), bottom: this.air('down') }),
        ),
      ],
    };
  }

  private stack(
    layers: string[],
    {
      joints,
      resistances,
      top,
      bottom,
    }: { joints: (number | null)[]; resistances: Record<string, number>; top: Boundary; bottom: Boundary },
  ): Stack {
    return { layers, jointsWM2K: joints, resistanceM2KW: resistances, top, bottom };
  }

  /** Everything of a stack but its cover and pad. */
  private kept({ stack, tempC }: Heat): Named[] {
    return this.named(stack.layers, tempC).filter(({ material }) => !isCover(material));
  }

  private padIds({ stack, press }: Heat): string[] {
    return this.lower(stack.pad, press.lowerC, null).ids;
  }

  private table(on: 'wood' | 'metal'): string[] {
    if (!this.made.has('table'))
      this.made.set('table', tableTop('table', this.own.conditions.roomC, on === 'metal'));
    return ['table'];
  }

  /** Layers by material and place: "cotton-jersey", "cotton-jersey 2". Made with the temperature they come with. */
  private named(layers: readonly StackLayer[], plateC: number): Named[] {
    const seen = new Map<string, number>();
    return layers.map((layer) => {
      const nth = (seen.get(layer.material) ?? 0) + 1;
      seen.set(layer.material, nth);
      const id = nth === 1 ? layer.material : `${layer.material} ${nth}`;
      if (!this.made.has(id)) {
        this.work.set(id, layer);
        this.made.set(id, solidOf(layer, id, this.startOf(id, layer, plateC), this.own.parameters));
      }
      return { ...layer, id };
    });
  }

  private startOf(id: string, { material }: StackLayer, plateC: number): number {
    const { conditions, startC } = this.own;
    const { roomC } = conditions;
    if (material === 'ptfe') return PTFE_START_C;
    if (material === 'silicone-mat')
      return conditions.mat === 'parked' ? roomC + MAT_PARKED * (plateC - roomC) : roomC;
    return startC[id] ?? roomC;
  }

  private joint(joint: Joint, kPa: number | null, upper: Named, lower: Named): number | null {
    const { parameters } = this.own;
    switch (joint) {
      case 'bonded':
        return null;
      case 'mat':
        return this.pressed('contact-mat', kPa);
      case 'plate-cover':
      case 'cover-work':
        return this.pressed('contact-cover', kPa);
      case 'glue-fabric':
        return this.pressed('contact-glue', kPa);
      case 'fabric-pad':
        return this.pressed('contact-pad', kPa);
      case 'fabric-fabric':
        return kPa === null && isCloth(upper.material) && isCloth(lower.material)
          ? parameters['contact-draped']
          : this.pressed('contact-fabric', kPa);
      case 'loose':
      case 'open':
        return parameters['contact-loose'];
    }
  }

  /** Joints of what nothing presses any more: glue has wetted what it lies on, cloth lies on cloth. */
  private looseJoints(layers: readonly Named[]): (number | null)[] {
    const { parameters } = this.own;
    return layers.slice(1).map((lower, i) => {
      const upper = layers[i];
      if (!isWork(upper.material))
        return isGlue(upper.material) && isWork(lower.material) ? parameters['contact-glue'] : null;
      return isCloth(upper.material) && isCloth(lower.material)
        ? parameters['contact-draped']
        : parameters['contact-fabric'];
    });
  }

  /** h = h₃₅ (p / 35 kPa)^½ between 5 and 100 kPa, which is as far as the law is meant to reach; unpressed as it lies. */
  private pressed(
    name:
      | 'contact-plate'
      | 'contact-cover'
      | 'contact-mat'
      | 'contact-glue'
      | 'contact-fabric'
      | 'contact-pad'
      | 'contact-base',
    kPa: number | null,
  ): number {
    const at35 = this.own.parameters[name];
    return kPa === null ? at35 : at35 * Math.sqrt(Math.min(100, Math.max(5, kPa)) / 35);
  }

  private lofted(layers: readonly Named[]): Record<string, number> {
    return Object.fromEntries(
      layers.filter(({ material }) => isCloth(material)).map(({ id, dMm }) => [id, loftedM2KW(dMm)]),
    );
  }

  private air(facing: 'up' | 'down'): Boundary {
    return { kind: 'open', ...this.surface(facing) };
  }

  private surface(facing: 'up' | 'down'): FreeSurface {
    const { conditions, parameters } = this.own;
    return {
      ...SURFACE,
      roomC: conditions.roomC,
      facing,
      leastHWM2K: facing === 'up' ? parameters.draught : Math.min(2, parameters.draught),
      evaporation:
        facing === 'up'
          ? {
              relativeHumidity: conditions.relativeHumidity,
              hWM2K: parameters.evaporation,
              fullAboveKgM2: 0.03,
            }
          : null,
    };
  }
}
