import type { Operation } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { hottestC, passesAfterS } from './heatStory.ts';
import type { DoseLine, HeatStory } from './heatStory.ts';
import { GLUE_GATE_C, asHarm, isWanted } from './kinetics.ts';

/** What is planned for: a dose that is done with this much to spare (trade: 1.3 to 2). */
export const PLANNED_MARGIN = 1.3;
const NEAR = 0.7; // of a limit, that a model so rough cannot tell from it (assumption)
/** Doses beyond are "more than twenty": what comes of them nobody has measured. */
const OVERDONE = 20;

/** How a dose stands: wanted ones done, barely or short; harms well below, near or over their limit. */
export type Standing = 'good' | 'unsure' | 'bad';

export interface Verdict {
  line: DoseLine;
  standing: Standing;
  said: Said[];
}

/** What a story's doses mean, each in plain words. @param spread what the model is worth: a press's spread */
export function verdictsOf(
  story: HeatStory,
  operations: readonly Pick<Operation, 'id' | 'title'>[],
  spread: number,
): Verdict[] {
  const titleOf = (id: string): string => operations.find((own) => own.id === id)?.title ?? id;
  return story.doses.map((line) => ({
    line,
    standing: standingOf(line),
    said: [
      isWanted(line.dose) ? wantedSaid(line, story, { titleOf, spread }) : harmSaid(line),
      ...(isTelling(line) && line.parts.filter(({ value }) => value > 0.02 * line.value).length > 1
        ? [say('heat.parts', { parts: sharesOf(line, titleOf) })]
        : []),
      ...(line.dose === 'bond' && line.value > OVERDONE ? [say('heat.over-done')] : []),
    ],
  }));
}

/** Of a harm that is nowhere near its limit nobody asks where it comes from. */
const isTelling = ({ dose, value }: DoseLine): boolean => isWanted(dose) || value >= 0.1;

const sharesOf = ({ parts, value: all }: DoseLine, titleOf: (id: string) => string) =>
  parts
    .filter(({ value }) => value > 0.02 * all)
    .map(({ operation, value }) => ({ by: titleOf(operation), share: value / all }));

function standingOf({ dose, value }: DoseLine): Standing {
  if (isWanted(dose)) return value >= PLANNED_MARGIN ? 'good' : value >= 1 ? 'unsure' : 'bad';
  return value < NEAR ? 'good' : value < 1 ? 'unsure' : 'bad';
}

function harmSaid({ dose, value }: DoseLine): Said {
  const harm = asHarm(dose);
  if (value >= 1) return say('heat.harm-over', { harm });
  return value >= NEAR ? say('heat.harm-near', { harm }) : say('heat.harm-well', { harm, value });
}

function wantedSaid(
  line: DoseLine,
  story: HeatStory,
  { titleOf, spread }: { titleOf: (id: string) => string; spread: number },
): Said {
  const heats = line.parts.flatMap(({ operation }) =>
    story.operations.filter((own) => own.operation === operation),
  );
  const first = heats.find((own) => own.courses[line.at] !== undefined);
  const hottest = Math.max(...heats.map((own) => hottestC(own, line.at) ?? -Infinity));
  const { reached } = line;
  if (line.dose === 'melt')
    return reached
      ? say('heat.melt-done', { reachedS: reached.afterS, spread })
      : say('heat.melt-short', { hottestC: hottest });
  if (line.dose === 'cure')
    return reached
      ? say('heat.cure-done', { hottestC: hottest, reachedS: reached.afterS, spread })
      : say('heat.cure-short', { hottestC: hottest });
  const bond = ((): Said => {
    const warmest = heats.find((own) => passesAfterS(own, line.at, GLUE_GATE_C) !== null);
    const passesS = warmest === undefined ? null : passesAfterS(warmest, line.at, GLUE_GATE_C);
    const gateC = GLUE_GATE_C;
    if (passesS === null) return say('heat.bond-cold', { gateC, hottestC: hottest });
    if (reached === null) return say('heat.bond-short', { gateC, passesS, spread });
    return reached.operation === first?.operation && warmest === first
      ? say('heat.bond-done', { gateC, passesS, reachedS: reached.afterS, spread })
      : say('heat.bond-later', { by: titleOf(reached.operation), reachedS: reached.afterS, spread });
  })();
  return line.at === 'patch-glue' ? say('heat.patch', { then: bond }) : bond;
}
