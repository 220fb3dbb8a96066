import type { DryCover, DryPhase } from './dryProblem.ts';
import { dryCourse } from './dryCourse.ts';
import type { DryCourse, DryTime } from './dryCourse.ts';
import { MOST_BURSTS, airUntilTouchDry, burstsUntilReady, hoverUntilTouchDry } from './dryUntil.ts';
import type { WetCloth } from './dryUntil.ts';

export const DRY_SCHOOLS = ['press', 'hover', 'air'] as const;
export type DrySchool = (typeof DRY_SCHOOLS)[number];

/** How each school goes about it here. */
export interface DryWays {
  plateC: number;
  kPa: number;
  cover: DryCover;
  burstS: number;
  /** The plate up between two bursts, s. */
  openS: number;
  gapMm: number;
  /** The press that lays the fibres after hover or air, s. */
  layS: number;
  airMPerS: number;
  sides: 1 | 2;
}

export interface DriedBy {
  school: DrySchool;
  /** Until it is laid flat and ready to print, s; `null`: not that way. */
  takesS: DryTime;
  /** Closings of the press, by the usual of the band. */
  closings: number;
  /** At every few seconds or minutes of it, for the usual of the band. */
  course: DryCourse;
}

/** What each school of drying makes of the same wet cloth. */
export function compareDrying(cloth: WetCloth, ways: DryWays): DriedBy[] {
  const { plateC, kPa, cover, burstS, openS, gapMm, layS, airMPerS, sides } = ways;
  const press = { plateC, kPa, cover };
  const lay: DryPhase = { kind: 'press', ...press, s: layS };
  const { ready } = burstsUntilReady(cloth, { ...press, s: burstS }, openS);
  const inBursts = (count: number | null): number | null =>
    count === null ? null : count * burstS + (count - 1) * openS;
  const count = ready.usual ?? MOST_BURSTS;
  const bursts = Array.from({ length: count }, (_, i): DryPhase[] => [
    ...(i === 0 ? [] : sliced({ kind: 'open', s: openS, airMPerS: 0 }, 5)),
    ...sliced({ kind: 'press', ...press, s: burstS }, 6),
  ]).flat();
  const hover = hoverUntilTouchDry(cloth, { plateC, gapMm });
  const air = airUntilTouchDry(cloth, { airMPerS, sides, bench: false });
  const course = (phases: readonly DryPhase[]): DryCourse => dryCourse({ ...cloth, phases });
  const then = ({ usual, early, late }: DryTime): DryTime => {
    const more = (s: number | null): number | null => (s === null ? null : s + layS);
    return { usual: more(usual), early: more(early), late: more(late) };
  };
  return [
    {
      school: 'press',
      takesS: { usual: inBursts(ready.usual), early: inBursts(ready.early), late: inBursts(ready.late) },
      closings: count,
      course: course(bursts),
    },
    {
      school: 'hover',
      takesS: then(hover),
      closings: 1,
      course: course([...sliced({ kind: 'hover', plateC, gapMm, s: hover.usual ?? MOST_SHOWN_S }, 40), lay]),
    },
    {
      school: 'air',
      takesS: then(air),
      closings: 1,
      course: course([
        ...sliced({ kind: 'air', airMPerS, sides, bench: false, s: air.usual ?? MOST_SHOWN_S }, 40),
        lay,
      ]),
    },
  ];
}

const MOST_SHOWN_S = 7200;

/** The same phase in so many pieces: what is left is known at each of their ends. */
const sliced = (phase: DryPhase, pieces: number): DryPhase[] =>
  Array.from({ length: pieces }, () => ({ ...phase, s: phase.s / pieces }));
