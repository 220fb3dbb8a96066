import { compareProcesses } from '@saltflat/core/compare';
import { faultsOf, sheetOut } from '@saltflat/core/film';
import type { FilmProblem, Placement } from '@saltflat/core/film';
import { calibratePress } from '@saltflat/core/heat';
import { platesRead } from '@saltflat/core/press';
import { sprayerTable } from '@saltflat/core/spray';
import type { SprayWeighing, SprayerSetting } from '@saltflat/core/spray';
import { atOnce } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';

/** Pure work of the core that takes tens of milliseconds: too long for the thread that answers everybody. */
export const CORE_TASKS = {
  compare: atOnce(compareProcesses),
  plates: atOnce(platesRead),
  calibrate: atOnce(calibratePress),
  filmFaults: atOnce(({ problem, placements }: { problem: FilmProblem; placements: readonly Placement[] }) =>
    faultsOf(problem, placements),
  ),
  sheetOut: atOnce(sheetOut),
  fitSprayer: atOnce(
    ({
      range,
      weighings,
      step,
    }: {
      range: SprayerSetting;
      weighings: readonly SprayWeighing[];
      step: number;
    }) => sprayerTable(range, weighings, step),
  ),
} satisfies Tasks;

export type CoreTasks = typeof CORE_TASKS;
