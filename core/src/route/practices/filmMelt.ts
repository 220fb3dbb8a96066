import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { MachineKind, Operation, PressState, Station } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { LOOSE_POWDER_S, filmSheets } from '../filmSheets.ts';
import { FROM_BELOW, IN_CHAMBER, around, heat, hovering, on } from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { liesFlat } from '../loads.ts';
import { melterFor } from '../melters.ts';
import type { MeltMeans, Melter } from '../melters.ts';
import { isFullFuse, settleMelt } from '../meltSettings.ts';
import { isMeltedBetween } from './filmPowder.ts';
import { powderedFilm } from '../stack.ts';

interface Way {
  kind: MachineKind;
  station: Station;
  pressAt: (gapMm: number) => PressState;
  cautions: Said[];
  checks: Said[];
}

const WAYS: Record<MeltMeans, Way> = {
  oven: {
    kind: 'oven',
    station: 'oven',
    pressAt: () => IN_CHAMBER,
    cautions: [CAUTIONS.hotOven, CAUTIONS.fumes],
    checks: [say('check.film-flat')],
  },
  hover: {
    kind: 'press',
    station: 'press',
    pressAt: hovering,
    cautions: [CAUTIONS.hotPlate, CAUTIONS.fumes],
    checks: [say('check.plate-off-film')],
  },
  griddle: {
    kind: 'griddle',
    station: 'oven',
    pressAt: () => FROM_BELOW,
    cautions: [CAUTIONS.hotGriddle, CAUTIONS.fumes],
    checks: [say('check.powder-up'), say('check.watch-it-clear')],
  },
  belt: {
    kind: 'belt',
    station: 'oven',
    pressAt: () => IN_CHAMBER,
    cautions: [CAUTIONS.hotTunnel, CAUTIONS.fumes],
    checks: [say('check.powder-up'), say('check.film-flat')],
  },
};

/** Melts the powder to a film of glue in an oven, on a griddle or through a tunnel. */
export const filmMelt: Practice = {
  id: 'melt-powder',
  role: 'melt',
  part: 'transfer',
  station: 'oven',
  applies: (input) => melterFor(input).means !== 'hover',
  plan: melt,
};

/** The same under the press, held above; it blocks the press meanwhile. */
export const filmMeltHover: Practice = {
  id: 'melt-powder',
  role: 'melt',
  part: 'transfer',
  station: 'press',
  applies: (input) => melterFor(input).means === 'hover',
  plan: melt,
};

/** The second melt of a film that is powdered twice. */
export const filmMeltAgain: Practice = {
  ...filmMelt,
  id: 'melt-again',
  applies: (input) => isMeltedBetween(input) && melterFor(input).means !== 'hover',
};

export const filmMeltHoverAgain: Practice = {
  ...filmMeltHover,
  id: 'melt-again',
  applies: (input) => isMeltedBetween(input) && melterFor(input).means === 'hover',
};

function melt(input: PrintInput, settle: Settle): OperationDraft {
  const melter = melterFor(input);
  const { means } = melter;
  const way = WAYS[means];
  const isFull = isFullFuse(input);
  const { temp, dwell, gap } = settleMelt(input, settle, melter);
  const { perSheet, perLoad } = filmSheets(input);
  const press = way.pressAt(gap?.value ?? 0);
  const run = heat('melt', temp.value, dwell.value, press, powderedFilm(means === 'hover'));
  return {
    title: isFull ? 'Melt the powder, full fuse' : 'Melt the powder',
    unit: perLoad > perSheet ? 'load' : 'sheet',
    size: perLoad,
    on: on(way.kind, melter),
    phases: means === 'griddle' ? around(30, [run], 5) : around(45, [run]),
    settings: [temp, ...(gap ? [gap] : []), dwell],
    checks: [
      ...loadChecks(input, melter, { perSheet, perLoad }),
      ...way.checks,
      ...(means === 'belt' ? [beltSpeed(melter, dwell.value)] : []),
      say(isFull ? 'check.grains-gone' : 'check.powder-clear'),
    ],
    look: say(isFull ? 'look.fused' : 'look.melted-lightly'),
    cautions: way.cautions,
    waitAfter: { minS: 60, maxS: null, why: say('wait.film-cools') },
  };
}

/** Whether film is melted until it is fused, rather than for pressing at once. */
export const meltsFully = ({ look }: Pick<Operation, 'look'>): boolean => look.code === 'look.fused';

/** A belt has no clock but its speed. */
const beltSpeed = ({ surface: { heightMm: tunnelMm } }: Melter, timeS: number): Said =>
  say('check.belt-speed', { tunnelMm, timeS, mmPerMin: Math.round((60 * tunnelMm) / timeS) });

/** What to know where a print is larger than the heat, or several sheets are melted together. */
function loadChecks(
  input: PrintInput,
  { name, means, surface }: Melter,
  { perSheet, perLoad }: { perSheet: number; perLoad: number },
): Said[] {
  return [
    ...(liesFlat(input, means === 'belt' ? { ...surface, heightMm: Infinity } : surface)
      ? []
      : [say('check.half-by-half', { melter: name })]),
    ...(perLoad > perSheet
      ? [say('check.sheets-together', { sheets: perLoad / perSheet, withinS: LOOSE_POWDER_S })]
      : []),
  ];
}
