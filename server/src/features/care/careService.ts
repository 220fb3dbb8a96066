import { DomainError, refused } from '@saltflat/contract';
import type {
  Care,
  CareInputs,
  CareKind,
  Catalogue,
  Machine,
  PlatenHeight,
  PlatenHeightInput,
  PrintStart,
  PrintStartInput,
  Upkeep,
  UpkeepDone,
  UpkeepInput,
  UpkeepRow,
} from '@saltflat/contract';
import { UPKEEP, isCaredFor, sheetTask, sheetTaskKey, upkeepCounts, upkeepDue } from '@saltflat/core/care';
import type { PieceCount, UpkeepTask } from '@saltflat/core/care';
import { readStepId } from '@saltflat/core/run';
import type { Database } from '../../db/connection.ts';
import { readMade, readWorked } from './careReads.ts';
import type { MadePiece, WorkedStep } from './careReads.ts';
import type { CareStore, KeptCare } from './careStore.ts';

interface Needs {
  db: Database;
  store: CareStore;
  readCatalogue: () => Promise<Pick<Catalogue, 'machines' | 'materials'>>;
  now: () => number;
}

const STARTS_SHOWN = 60;

/** How the shop's machines stand: looked at before printing, platens, upkeep and what came of it. */
export class CareService {
  constructor(private readonly needs: Needs) {}

  /** What a printer needs to begin: its newest check, and its platen by kind of garment. */
  async printers(): Promise<Care> {
    const { store } = this.needs;
    const [starts, platens] = await Promise.all([
      store.standing('print-start'),
      store.standing('platen-height'),
    ]);
    return {
      starts: newestBy(starts, ({ machineId }) => machineId).map(standing),
      platens: newestBy(
        platens,
        ({ machineId, input }) => `${machineId}/${input.garment}/${String(input.isOverPocket)}`,
      ).map(standing),
    };
  }

  /** Every task of every machine, how it stands, and what came of it. */
  async upkeep(): Promise<Upkeep> {
    const { db, store } = this.needs;
    const [catalogue, upkeep, worked, made] = await Promise.all([
      this.needs.readCatalogue(),
      store.standing('upkeep'),
      readWorked(db),
      readMade(db),
    ]);
    return {
      tasks: catalogue.machines.flatMap((machine) => {
        const pieces = piecesOn(machine.id, made);
        return tasksOf(machine, worked, catalogue).map((task) =>
          this.row(machine, task, { upkeep, worked, pieces }),
        );
      }),
      printed: printedCounts(made),
    };
  }

  /** Checks of a printer before its first prints, newest first. */
  async starts(machineId: string): Promise<PrintStart[]> {
    await this.machine(machineId, 'printer');
    return (await this.needs.store.of(machineId, 'print-start', STARTS_SHOWN)).map(standing);
  }

  async noteStart(machineId: string, input: PrintStartInput): Promise<PrintStart> {
    await this.machine(machineId, 'printer');
    return standing(await this.keep(machineId, 'print-start', input));
  }

  async noteHeight(machineId: string, input: PlatenHeightInput): Promise<PlatenHeight> {
    await this.machine(machineId, 'printer');
    return standing(await this.keep(machineId, 'platen-height', input));
  }

  /** @throws DomainError where the machine has no such task */
  async noteUpkeep(machineId: string, input: UpkeepInput): Promise<UpkeepDone> {
    const machine = await this.machine(machineId);
    const catalogue = await this.needs.readCatalogue();
    const known = [
      ...(isCaredFor(machine.kind) ? UPKEEP[machine.kind] : []).map(({ key }) => key),
      ...sheetsOf(catalogue).map(({ id }) => sheetTaskKey(id)),
    ];
    if (!known.includes(input.task))
      throw refused('/task', `${machine.name} has no task “${input.task}”: take one of its list.`);
    return this.keep(machineId, 'upkeep', input);
  }

  /** Takes a task that was noted back, or gives it again. */
  async withdraw(id: string, isWithdrawn: boolean): Promise<UpkeepDone> {
    const { db, store } = this.needs;
    const found = await db.transaction((tx) => store.withdraw(id, isWithdrawn, tx));
    if (!found) throw new DomainError('not-found', 'There is no such task done.');
    return found;
  }

  private keep<K extends CareKind>(machineId: string, kind: K, input: CareInputs[K]): Promise<KeptCare<K>> {
    const { db, store, now } = this.needs;
    return db.transaction((tx) => store.insert({ machineId, kind, input, at: new Date(now()) }, tx));
  }

  private row(
    machine: Machine,
    task: UpkeepTask,
    known: {
      upkeep: readonly KeptCare<'upkeep'>[];
      worked: readonly WorkedStep[];
      pieces: readonly Judged[];
    },
  ): UpkeepRow {
    const own = known.upkeep.filter(
      ({ machineId, input }) => machineId === machine.id && input.task === task.key,
    );
    const records = own.map(({ at, input }) => ({ atMs: Date.parse(at), isSkipped: input.isSkipped }));
    const [last] = own;
    const [newest = null] = records;
    const usedBetween = usageOf(known.worked, machine.id, task);
    const used = Math.round(10 * usedBetween(newest?.atMs ?? -Infinity, Infinity)) / 10;
    return {
      machineId: machine.id,
      machine: machine.name,
      task: task.key,
      title: task.title,
      why: task.why,
      every: task.every,
      ...upkeepDue(task.every, newest, { nowMs: this.needs.now(), used }),
      used,
      last: last ? { id: last.id, at: last.at, by: last.input.by, isSkipped: last.input.isSkipped } : null,
      counts: upkeepCounts(task.every, records, known.pieces, usedBetween),
    };
  }

  private async machine(id: string, kind?: Machine['kind']): Promise<Machine> {
    const { machines } = await this.needs.readCatalogue();
    const found = machines.find((own) => own.id === id && (kind === undefined || own.kind === kind));
    if (!found) throw new DomainError('not-found', `There is no ${kind ?? 'machine'} ${id.slice(0, 8)}.`);
    return found;
  }
}

const standing = <K extends CareKind>({
  id,
  machineId,
  at,
  input,
}: KeptCare<K>): Omit<KeptCare<K>, 'isWithdrawn'> => ({ id, machineId, at, input });

/** A piece as it was judged: when, ms since 1970, and how. */
interface Judged {
  atMs: number;
  isSpoiled: boolean;
}

/** What was made on a machine. */
const piecesOn = (machineId: string, made: readonly MadePiece[]): Judged[] =>
  onceEach(made.filter((own) => own.machineId === machineId)).map(({ at, isSpoiled }) => ({
    atMs: Date.parse(at),
    isSpoiled,
  }));

/** Pieces that went over a machine several times count once. */
const onceEach = (made: readonly MadePiece[]): MadePiece[] => newestBy(made, ({ piece }) => piece);

/** The first of each name: of what comes newest first the newest. */
function newestBy<T>(sorted: readonly T[], nameOf: (own: T) => string): T[] {
  const seen = new Set<string>();
  return sorted.filter((own) => {
    const name = nameOf(own);
    return !seen.has(name) && seen.add(name);
  });
}

const sheetsOf = ({
  materials,
}: Pick<Catalogue, 'materials'>): { id: string; name: string; uses: number }[] =>
  materials
    .filter(({ kind }) => kind === 'cover-sheet')
    .map(({ id, name, properties }) => ({ id, name, uses: Number(properties.uses) }));

/** Tasks of a machine: those of its kind, and the cover sheets that lay on it lately. */
function tasksOf(
  machine: Machine,
  worked: readonly WorkedStep[],
  catalogue: Pick<Catalogue, 'materials'>,
): UpkeepTask[] {
  if (!isCaredFor(machine.kind)) return [];
  const laid = new Set(
    worked.filter(({ machineId }) => machineId === machine.id).map(({ sheetId }) => sheetId),
  );
  const sheets = sheetsOf(catalogue).filter(({ id, uses }) => laid.has(id) && uses > 0);
  return [...UPKEEP[machine.kind], ...sheets.map(sheetTask)];
}

/** What a machine did between two instants, in the unit a task is counted in. @param worked oldest first */
function usageOf(
  worked: readonly WorkedStep[],
  machineId: string,
  { key, every: { unit } }: Pick<UpkeepTask, 'key' | 'every'>,
): (fromMs: number, toMs: number) => number {
  const times: number[] = [];
  const sums = [0];
  for (const step of worked) {
    const amount = step.machineId === machineId ? amountOf(step, unit, key) : 0;
    if (amount === 0) continue;
    times.push(Date.parse(step.at));
    sums.push((sums.at(-1) ?? 0) + amount);
  }
  const until = (atMs: number): number => sums[countUntil(times, atMs)] ?? 0;
  return (fromMs, toMs) => until(toMs) - until(fromMs);
}

/** How many of some sorted instants are not after one. */
function countUntil(times: readonly number[], atMs: number): number {
  let [low, high] = [0, times.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? Infinity) <= atMs) low = middle + 1;
    else high = middle;
  }
  return low;
}

function amountOf(step: WorkedStep, unit: UpkeepTask['every']['unit'], key: string): number {
  switch (unit) {
    case 'days':
      return 0;
    case 'hours':
      return stepS(step) / 3600;
    case 'prints':
      return step.role === 'print' ? 1 : 0;
    case 'garments':
      return step.role === 'spray' ? 1 : 0;
    case 'presses':
      return step.sheetId !== null && sheetTaskKey(step.sheetId) === key ? step.closings : 0;
  }
}

/** How long a step takes by its route, s. */
const stepS = ({ step, onceS, eachS }: WorkedStep): number =>
  onceS + eachS * (readStepId(step)?.parts.length ?? 1);

/** Pieces by what was noted before their print. */
function printedCounts(made: readonly MadePiece[]): Upkeep['printed'] {
  const counted = (own: readonly MadePiece[]): PieceCount => ({
    pieces: own.length,
    spoiled: own.filter(({ isSpoiled }) => isSpoiled).length,
  });
  const prints = onceEach(made.filter(({ role }) => role === 'print'));
  return {
    right: counted(prints.filter(({ missed }) => missed?.length === 0)),
    missed: counted(prints.filter(({ missed }) => missed !== null && missed.length > 0)),
    notNoted: counted(prints.filter(({ missed }) => missed === null)),
  };
}
