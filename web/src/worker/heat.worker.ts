import {
  calibratePress,
  dwellReason,
  findBands,
  heatOfStack,
  heatStory,
  peelWindows,
  sensitivitiesOf,
  solveSetting,
} from '@saltflat/core/heat';
import type {
  HeatConditions,
  OperationInHeat,
  PressCalibration,
  RouteInHeat,
  SolveFor,
} from '@saltflat/core/heat';
import { platesRead, pressKnown } from '@saltflat/core/press';
import type {
  PlateArea,
  PlateSize,
  PressUnderPrint,
  PressureMark,
  SurveyReadings,
} from '@saltflat/core/press';
import { atOnce, taskOf } from '@saltflat/core/task';
import type { Tasks } from '@saltflat/core/task';
import type { Operation } from '@saltflat/core/work';
import { serveHere } from './serveHere.ts';

interface RouteQuestion {
  route: RouteInHeat;
  conditions: HeatConditions;
}
interface OperationQuestion {
  own: OperationInHeat;
  conditions: HeatConditions;
}

interface PressQuestion {
  machineId: string;
  survey: (SurveyReadings & { surveyedOn: string }) | null;
  pressure: readonly PressureMark[] | null;
  calibration: { calibratedOn: string; measured: PressCalibration } | null;
  plate: PlateSize;
  area: PlateArea;
}

const KEPT = 60;

/** What was asked before is known: the last answers by their questions. */
function remembering<Q, A>(answer: (question: Q) => A): (question: Q) => A {
  const known = new Map<string, A>();
  return (question) => {
    const key = JSON.stringify(question);
    const found = known.get(key) ?? answer(question);
    known.delete(key); // the last used stand last
    known.set(key, found);
    const [oldest] = known.keys();
    if (known.size > KEPT && oldest !== undefined) known.delete(oldest);
    return found;
  };
}

const plates = remembering((survey: SurveyReadings) => platesRead(survey));
const calibrate = remembering(calibratePress);

/** What each press is known to be where a print lies. */
const presses = (asked: readonly PressQuestion[]): Record<string, PressUnderPrint> =>
  Object.fromEntries(
    asked.map(({ machineId, survey, pressure, calibration, plate, area }) => [
      machineId,
      pressKnown(
        {
          survey: survey && {
            setC: survey.setC,
            surveyedOn: survey.surveyedOn,
            plates: plates(survey),
          },
          pressure,
          calibration: calibration && {
            calibratedOn: calibration.calibratedOn,
            found: calibrate(calibration.measured),
          },
        },
        plate,
        area,
      ),
    ]),
  );

const TASKS = {
  story: atOnce(remembering(({ route, conditions }: RouteQuestion) => heatStory(route, conditions))),
  bands: taskOf(({ route, conditions }: RouteQuestion) => findBands(route, conditions)),
  'what-if': atOnce(
    remembering(({ own, conditions }: OperationQuestion) => sensitivitiesOf(own, conditions)),
  ),
  peel: atOnce(remembering(({ own, conditions }: OperationQuestion) => peelWindows(own, conditions))),
  advice: atOnce(
    remembering(({ operation, conditions }: { operation: Operation; conditions: HeatConditions }) =>
      dwellReason(operation, conditions),
    ),
  ),
  bench: atOnce(remembering(heatOfStack)),
  plates: atOnce(plates),
  calibrate: atOnce(calibrate),
  presses: atOnce(presses),
  solve: atOnce(
    remembering(({ own, conditions, ...wanted }: OperationQuestion & { for: SolveFor; margin: number }) =>
      solveSetting(own, conditions, wanted),
    ),
  ),
} satisfies Tasks;
export type HeatTasks = typeof TASKS;

serveHere(TASKS);
