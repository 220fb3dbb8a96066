import { DomainError, plannedPart } from '@saltflat/contract';
import type {
  DayPlan,
  DayPlanInput,
  Material,
  PlanGround,
  PlanJob,
  Run,
  ShopCalendar,
  WantedAnswer,
  WantedQuery,
  WorkTimes,
  WrittenLine,
} from '@saltflat/contract';
import { dayIn } from '@saltflat/contract/wallClock';
import { workPace } from '@saltflat/core/learn';
import type { Route } from '@saltflat/core/route';
import type { RunState } from '@saltflat/core/run';
import { randomUUID } from 'node:crypto';
import { UniqueConstraintError } from 'sequelize';
import type { Database } from '../../db/connection.ts';
import { learnTimes } from './learnTimes.ts';
import type { KeptTime } from './learnTimes.ts';
import { hereAt, planLine, readOpenLines } from './planReads.ts';
import type { PartOf, PlannedWith, ReadyLine } from './planReads.ts';
import { shortWithin } from './shortWithin.ts';

/** A layout that waits for the floor, with the film its lines share. */
export interface WaitingLayout {
  id: string;
  code: string;
  lines: { lineId: string; routeNumber: number }[];
  /** Sheets by the names their transfers have once its lines are on the floor, in this order. */
  sheetsOf: (
    lines: readonly { lineId: string; code: string; pieces: number; route: Route }[],
  ) => Run['sheets'];
}

const WEEK_MS = 7 * 86_400_000;

interface Needs {
  db: Database;
  calendar: () => Promise<ShopCalendar>;
  /** What is on the floor, and how it stands. */
  onFloor: () => Promise<{ run: Run; state: RunState }[]>;
  /** Layouts that are not on the floor, newest first. */
  layouts: () => Promise<WaitingLayout[]>;
  /** Days until everything is here that is bought in for a line. */
  leadDays: (lineId: string) => Promise<number>;
  /** The route a line would get that is not taken in yet. */
  planWritten: (written: WrittenLine) => Promise<{
    route: Route;
    leadDays: number;
    style: { name: string };
    colour: { name: string; hex: string };
  }>;
  materials: () => Promise<readonly Material[]>;
  /** How long the work of this shop took, newest first. */
  workTimes: () => Promise<KeptTime[]>;
  /** Another plan is followed from now on. */
  onChange: () => void;
  now: () => number;
}

/** What days are planned from, and the plan everybody follows. */
export class PlanService {
  constructor(private readonly needs: Needs) {}

  /** All that a plan is made of, as the shop stands. */
  async ground(): Promise<PlanGround> {
    const { db, calendar, leadDays, onFloor, layouts, materials, now } = this.needs;
    const [own, times, stock, { ready, waiting, isMore }, runs, laid, kept] = await Promise.all([
      calendar(),
      this.times(),
      materials(),
      readOpenLines(db, leadDays),
      onFloor(),
      layouts(),
      this.kept(),
    ]);
    const partOf = inTimesOf(times);
    return {
      calendar: own,
      jobs: [
        ...runs.map(({ run, state }) => jobOfRun(run, state, partOf)),
        ...jobsOfLines(ready, laid, { partOf, materials: stock }),
      ],
      waiting,
      isMore,
      short: shortWithin(now() + WEEK_MS, { ready, runs, materials: stock }),
      pace: times.pace,
      kept,
    };
  }

  /** What this shop’s own times say of its work. */
  async times(): Promise<WorkTimes> {
    const [{ document }, rows] = await Promise.all([this.needs.calendar(), this.needs.workTimes()]);
    return learnTimes(rows, daysIn(document.zone));
  }

  /** What is not taken in yet, as it would be planned together with what is. */
  async wanted({ dueAt, lines }: WantedQuery): Promise<WantedAnswer> {
    const orderId = randomUUID();
    const [times, materials] = await Promise.all([this.times(), this.needs.materials()]);
    const planned = { partOf: inTimesOf(times), materials };
    const jobs: PlanJob[] = [];
    const refused: WantedAnswer['refused'] = [];
    for (const [i, written] of lines.entries()) {
      try {
        const { route, leadDays, style, colour } = await this.needs.planWritten(written);
        const line: ReadyLine = {
          lineId: randomUUID(),
          orderId,
          code: String(i + 1),
          customer: '',
          dueAt,
          garment: `${colour.name} ${style.name}`,
          colourHex: colour.hex,
          routeNumber: 1,
          pieces: written.sizes.reduce((sum, { quantity }) => sum + quantity, 0),
          materialsAt: hereAt(this.needs.now(), leadDays),
          route,
        };
        jobs.push(jobOfLines([line], line.lineId, planned));
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        refused.push({ line: i, why: error.message });
      }
    }
    return { jobs, refused };
  }

  /** The plan that is followed; `null` where nobody has kept one. */
  async kept(): Promise<DayPlan | null> {
    const row = await this.needs.db.models.dayPlans.findOne({ order: [['number', 'desc']], raw: true });
    return row && { number: row.number, by: row.byName, at: row.at.toISOString(), document: row.document };
  }

  /** Keeps a plan for everybody to follow, made from the one that was followed when it was looked at. */
  async keep({ basedOn, document, by }: DayPlanInput): Promise<DayPlan> {
    const { db, now, onChange } = this.needs;
    const latest = (await this.kept())?.number ?? 0;
    if (latest !== basedOn) throw await this.overtaken();
    try {
      await db.models.dayPlans.create({ number: basedOn + 1, document, byName: by, at: new Date(now()) });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw await this.overtaken();
      throw error;
    }
    onChange();
    return { number: basedOn + 1, by, at: new Date(now()).toISOString(), document };
  }

  private async overtaken(): Promise<DomainError> {
    const current = await this.kept();
    return new DomainError(
      'stale-version',
      current
        ? `${current.by} kept another plan meanwhile. Look at it, then keep yours.`
        : 'The plan that was followed is not here any more. Look again, then keep yours.',
      { current },
    );
  }
}

/** Routes in the time that this shop takes for them. */
function inTimesOf({ kinds }: WorkTimes): PartOf {
  const paces = new Map(kinds.map((own) => [own.kind, workPace(own)]));
  return (route) => plannedPart(route, (kind) => paces.get(kind) ?? null);
}

const QUARTER_MS = 15 * 60_000;
/** Days of a time zone, looked up once for each quarter of an hour: no zone is apart from others by less. */
function daysIn(zone: string): (ms: number) => string {
  const known = new Map<number, string>();
  return (ms) => {
    const quarter = Math.floor(ms / QUARTER_MS);
    const day = known.get(quarter) ?? dayIn(zone, quarter * QUARTER_MS);
    known.set(quarter, day);
    return day;
  };
}

function jobOfRun(run: Run, { steps, parts }: RunState, partOf: PartOf): PlanJob {
  const open = run.lines.filter(({ finishedAt }) => finishedAt === null).map(({ key }) => key);
  return {
    key: run.layout?.id ?? (run.lines.length === 1 ? (run.lines[0]?.lineId ?? run.id) : run.id),
    runId: run.id,
    layout: run.layout,
    flow: run.lines[0]?.route.flow ?? 'through',
    sheets: run.sheets,
    lines: run.lines.map(({ key, lineId, orderId, code, customer, dueAt, garment, colourHex, ...line }) => ({
      key,
      lineId,
      orderId,
      code,
      customer,
      dueAt,
      garment,
      colourHex,
      routeNumber: line.routeNumber,
      pieces: line.pieces,
      materialsAt: null, // it has begun
      isForShelf: !line.route.usesBlanks,
      onShelf: null, // it is being printed
      film: null,
      ...partOf(line.route),
    })),
    // what is done of a line that is finished is of no use to a plan
    stands: { steps: steps.filter(({ line }) => open.includes(line)), parts },
  };
}

/** Lines that wait: those of a layout together, the others one by one. */
function jobsOfLines(
  ready: readonly ReadyLine[],
  layouts: readonly WaitingLayout[],
  planned: PlannedWith,
): PlanJob[] {
  const left = new Map(ready.map((line) => [line.lineId, line]));
  const shared: PlanJob[] = [];
  for (const { id, code, lines, sheetsOf } of layouts) {
    const own = lines.map(({ lineId, routeNumber }) => {
      const line = left.get(lineId);
      return line?.routeNumber === routeNumber ? line : undefined;
    });
    if (own.length === 0 || !own.every((line) => line !== undefined)) continue;
    for (const { lineId } of own) left.delete(lineId);
    shared.push({
      ...jobOfLines(own, id, planned),
      layout: { id, code },
      sheets: sheetsOf(own),
    });
  }
  return [...shared, ...[...left.values()].map((line) => jobOfLines([line], line.lineId, planned))];
}

const jobOfLines = (lines: readonly ReadyLine[], key: string, planned: PlannedWith): PlanJob => ({
  key,
  runId: null,
  layout: null,
  flow: lines[0]?.route.flow ?? 'through',
  sheets: [],
  lines: lines.map((line, i) => planLine(line, String(i + 1), planned)),
  stands: null,
});
