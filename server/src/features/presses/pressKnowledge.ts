import { pressPlates } from '@saltflat/contract';
import type { CalibrationInput, KnownPresses, Machine, SurveyInput } from '@saltflat/contract';
import type { Calibrated } from '@saltflat/core/heat';
import { centred, pressKnown, testedMarks } from '@saltflat/core/press';
import type { PlateSize, PlatesRead } from '@saltflat/core/press';
import { Memory, once } from '../../memory.ts';
import type { PressCheckStore } from './pressCheckStore.ts';

interface Needs {
  checks: PressCheckStore;
  machines: () => Promise<readonly Machine[]>;
  /** Both take a tenth of a second and more: worked out beside the thread that answers. */
  readPlates: (input: SurveyInput) => Promise<PlatesRead>;
  calibrate: (input: CalibrationInput) => Promise<Calibrated>;
}

/** What a route is to take for each press. A check never changes, so what follows from it is worked out once. */
export class PressKnowledge {
  private readonly plates = new Memory<Promise<PlatesRead>>(20);
  private readonly calibrated = new Memory<Promise<Calibrated>>(20);

  constructor(private readonly needs: Needs) {}

  /** @param print what lies in the middle of each plate */
  async under(print: PlateSize): Promise<KnownPresses> {
    const { checks, machines, readPlates, calibrate } = this.needs;
    const newest = await checks.newest();
    const known: KnownPresses = {};
    for (const { id, plate } of pressPlates(await machines())) {
      const survey = newest(id, 'survey');
      const pressure = newest(id, 'pressure');
      const calibration = newest(id, 'calibration');
      if (survey === null && pressure === null && calibration === null) continue;
      const marks = testedMarks(pressure?.input ?? null, plate);
      const found = pressKnown(
        {
          survey: survey && {
            setC: survey.input.setC,
            surveyedOn: survey.at,
            plates: await once(this.plates, survey.id, () => readPlates(survey.input)),
          },
          pressure: marks,
          calibration: calibration && {
            calibratedOn: calibration.at,
            found: await once(this.calibrated, calibration.id, () => calibrate(calibration.input)),
          },
        },
        plate,
        centred(plate, print),
      );
      known[id] = { ...found.known, pressureScale: marks?.map(({ mark, kPa }) => ({ mark, kPa })) ?? null };
    }
    return known;
  }
}
