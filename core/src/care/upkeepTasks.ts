/** What an interval is counted in: days by the calendar of the clock, or what the machine did since. */
export type UpkeepUnit = 'days' | 'hours' | 'prints' | 'garments' | 'presses';

export interface UpkeepTask {
  /** Names it among its machine’s; kept in records for ever. */
  key: string;
  /** What is done, in a few words. */
  title: string;
  /** What it spares. */
  why: string;
  every: { count: number; unit: UpkeepUnit };
}

/** Machines that something is due on. */
export type CaredFor = 'printer' | 'press' | 'cap-press' | 'sprayer' | 'oven';

const day = (count: number): UpkeepTask['every'] => ({ count, unit: 'days' });

const PLATE: readonly UpkeepTask[] = [
  { key: 'wipe-plate', title: 'Wipe the plate, cold', why: 'Glue and ink on it print on the next garment.', every: day(1) },
  { key: 'hinges', title: 'Look at hinges, springs and the pad', why: 'What is worn presses one side only.', every: day(30) },
]; // prettier-ignore

/**
 * What keeps machines well, by their kind (trade ranges; a machine's own book goes before them). What is counted by work
 * is counted from the floor's own steps.
 */
export const UPKEEP: Readonly<Record<CaredFor, readonly UpkeepTask[]>> = {
  printer: [
    { key: 'wipe-heads', title: 'Wipe the rims of the heads and the wiper', why: 'Lint and dried ink there smear and block nozzles.', every: day(1) },
    { key: 'caps', title: 'Clean the caps the heads rest on', why: 'Heads dry out over caps that do not seal.', every: day(7) },
    { key: 'strip', title: 'Wipe the strip the carriage is counted by', why: 'Dust on it shifts lines of the print.', every: day(30) },
    { key: 'rail', title: 'Oil the rail of the carriage', why: 'A dry rail jerks: lines across the print.', every: { count: 200, unit: 'hours' } },
    { key: 'waste', title: 'Empty the waste ink', why: 'A full tank stops the printer in a job, or runs over.', every: { count: 300, unit: 'prints' } },
  ],
  press: PLATE,
  'cap-press': PLATE,
  sprayer: [
    { key: 'rinse', title: 'Rinse pump and nozzles with water', why: 'Fluid that dries in a nozzle stripes the next shirts.', every: day(1) },
    { key: 'soak', title: 'Take the nozzles out and soak them', why: 'What a rinse leaves narrows the spray little by little.', every: day(7) },
    { key: 'filter', title: 'Change the filter', why: 'A filled filter gives less at the same dial.', every: { count: 400, unit: 'garments' } },
  ],
  oven: [
    { key: 'wipe-oven', title: 'Wipe trays and walls, cold', why: 'Powder that lies there smokes and lands on film.', every: day(7) },
  ],
}; // prettier-ignore

/** A cover sheet on a press, by the material it is of: replaced after as many closings as it lasts. */
export const sheetTaskKey = (materialId: string): string => `sheet-${materialId}`;

/** A sheet that is used up smears what was under it before. */
export const sheetTask = (sheet: { id: string; name: string; uses: number }): UpkeepTask => ({
  key: sheetTaskKey(sheet.id),
  title: `Replace ${sheet.name}`,
  why: 'Turn it at each closing; what it has taken up prints back.',
  every: { count: sheet.uses, unit: 'presses' },
});

export const isCaredFor = (kind: string): kind is CaredFor => Object.hasOwn(UPKEEP, kind);
