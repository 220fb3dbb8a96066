import type { PressureTestInput, SurveyInput } from '@saltflat/contract';

/** What the made-up shop has read of its presses: one with a cold corner, one long ago, the cap press never. */
interface DemoSurvey {
  press: string;
  daysAgo: number;
  input: SurveyInput;
}

/** Readings of a grid, row by row from the back. */
function readings(
  size: { widthMm: number; heightMm: number },
  rows: readonly (readonly number[])[],
): SurveyInput['readings'] {
  return rows.flatMap((row, y) =>
    row.map((readC, x) => ({
      xMm: Math.round(((x + 0.5) * size.widthMm) / row.length),
      yMm: Math.round(((y + 0.5) * size.heightMm) / rows.length),
      readC,
    })),
  );
}

const HOW = { setC: 160, readOff: 'sponge-pad', closedS: 60, lateS: 1, roomC: 24, by: 'Tomasz' } as const;

export const DEMO_SURVEYS: readonly DemoSurvey[] = [
  {
    press: 'Press A',
    daysAgo: 170,
    input: {
      ...HOW,
      readings: readings({ widthMm: 400, heightMm: 500 }, [
        [136.6, 137.4, 136],
        [137.4, 138.2, 136.9],
        [136.9, 137.6, 135.6],
        [136, 136.2, 134.4],
      ]),
      note: '',
    },
  },
  {
    press: 'Press A',
    daysAgo: 20,
    input: {
      ...HOW,
      readings: readings({ widthMm: 400, heightMm: 500 }, [
        [136, 136.9, 135.2],
        [136.9, 137.7, 136],
        [136, 136.9, 133.5],
        [135.2, 134.4, 126.8],
      ]),
      note: 'Front right is slow to come up since it was moved',
    },
  },
  {
    press: 'Press B',
    daysAgo: 130,
    input: {
      ...HOW,
      readings: readings({ widthMm: 380, heightMm: 380 }, [
        [133.5, 134.4, 132.7],
        [134.4, 135.2, 133.5],
        [132.7, 133.5, 131],
      ]),
      note: '',
    },
  },
];

/** What it has tested of its pressure scales: Press A's by pulling a strip of film. */
export const DEMO_PRESSURE_TESTS: readonly { press: string; daysAgo: number; input: PressureTestInput }[] = [
  {
    press: 'Press A',
    daysAgo: 20,
    input: {
      marks: [
        { mark: 1, by: 'strip', value: 1.2 },
        { mark: 4, by: 'strip', value: 4.7 },
        { mark: 6, by: 'strip', value: 7.6 },
        { mark: 8, by: 'holds', value: null },
      ],
      strip: { widthMm: 20, lengthMm: 100, underKg: 5, pulledKg: 3 },
      cylinders: null,
      note: 'At 8 the strip tore',
      by: 'Tomasz',
    },
  },
];
