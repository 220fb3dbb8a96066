import type { ProbeName } from '@saltflat/core/heat';
import type { TraceLine } from '../../trace/index.ts';
import { t } from '../../words/index.ts';
import type { RouteHeat } from './useHeat.ts';

/** What the trace shows of a stack, the most telling first. */
const SHOWN: readonly { at: ProbeName; name: string; look: TraceLine['look'] }[] = [
  { at: 'glue', name: t('Glue line'), look: 'main' },
  { at: 'powder', name: t('Powder'), look: 'main' },
  { at: 'ink', name: t('Ink'), look: 'second' },
  { at: 'face', name: t('Garment face'), look: 'third' },
];

const COLD_C = 32; // nothing is to be seen below

/** How far a course is drawn: until it is as cold as the room again, after the last heat. */
function coldFrom(timesS: readonly number[], tempsC: readonly (number | null)[], heatsEndS: number): number {
  const i = timesS.findIndex((s, k) => s > heatsEndS && (tempsC[k] ?? 0) < COLD_C);
  return i < 0 ? timesS.length : i;
}

/** Courses of the model as lines of the trace. Ink lies within a kelvin or two of the glue: it is shown where there is none. */
export function traceLines({ story, bands }: RouteHeat): TraceLine[] {
  return story.operations.flatMap(({ operation, timesS, courses, heats }) =>
    SHOWN.flatMap(({ at, name, look }): TraceLine[] => {
      const course = courses[at];
      if (course === undefined || (at === 'ink' && (courses.glue ?? courses.powder))) return [];
      const shownTo = coldFrom(timesS, course, heats.at(-1)?.toS ?? 0);
      const band = bands?.courses.find((own) => own.operation === operation && own.at === at) ?? null;
      return [
        {
          operation,
          name,
          look: at === 'ink' ? 'main' : look,
          timesS: timesS.slice(0, shownTo),
          tempsC: course.slice(0, shownTo),
          band: look === 'third' ? null : band,
        },
      ];
    }),
  );
}
