import type { PrintProcess } from '../artwork/index.ts';
import { priceRoute } from '../cost/index.ts';
import type { PieceCost, Rates } from '../cost/index.ts';
import { PROCESSES, PROCESS_MODULES, planRoute } from '../route/index.ts';
import type { LineInput, LinePrint, Look, PrintNeeds, Process, Route, RouteInput } from '../route/index.ts';
import type { LinePlacement } from '../placement/index.ts';
import { plannedMode } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';

/** One process for a line: what it costs, takes and gives, or why it cannot be done. */
export interface ProcessOption {
  process: Process;
  name: string;
  /** Empty where it can be done. */
  refusals: Said[];
  /** `null` where it cannot be done. */
  plan: {
    /** For the line with all its prints. */
    handsS: number;
    elapsedS: number;
    restBeforeDispatchS: number;
    /** Of a piece with all its prints. */
    cost: PieceCost;
    /** What this print adds to it, cents; `null` where it is the only one. */
    addsCents: number | null;
    look: Look;
    risks: Said[];
    /** Limits that it would break. */
    conflicts: Said[];
    problems: Said[];
    machines: string[];
  } | null;
}

export interface Comparison {
  options: ProcessOption[];
  /** `null` where nothing can be done. */
  recommended: Process | null;
  /** The two that weigh most for it. */
  reasons: Said[];
  /** What would make another one better. */
  wouldChange: Said;
}

export interface ComparisonInput {
  /** The line with the place of the print that is compared. */
  line: Omit<LineInput, 'print' | 'process' | 'sources'>;
  /** That print's name within the line. */
  id: string;
  /** The line's other prints, by the processes they have. */
  others: readonly LinePrint[];
  /** The print's figures as each process would print it; a process without figures is not compared. */
  prints: Partial<Record<PrintProcess, PrintNeeds>>;
  blankCents: number;
  rates: Rates;
}

/** A hand that is felt all over costs a sale: worth this much a piece on a full front (assumption). */
const HAND_CENTS = 260;
const FULL_FRONT_MM2 = 280 * 320;
/** One more thing that can go wrong, against cost (assumption: some pieces more made again). */
const RISK_CENTS = 15;
/** A thin white on a dark garment, against full cover, per full front (assumption). */
const OPACITY_CENTS = 90;
/** A broken limit is a wash test and perhaps a ruined garment: never the first choice while another is clean. */
const CONFLICT_CENTS = 5000;
/** What is in the way of a placement has to be got round by hand, if it can be at all. */
const PROBLEM_CENTS = 2000;

/**
 * Every process for one print of a line side by side, the other prints as they are, with a recommendation: least cost after what hand, cover and risk are worth.
 * The weights are assumptions and say so; a person chooses.
 */
export function compareProcesses(input: ComparisonInput): Comparison {
  const options = optionsFor(input, centsWithout(input));
  const ranked = rank(input, options);
  const [best, second] = ranked;
  if (best === undefined)
    return {
      options,
      recommended: null,
      reasons: [],
      wouldChange: say('turn.none'),
    };
  return {
    options,
    recommended: best.process,
    reasons: second ? advantages(input, best, second) : [say('better.only')],
    wouldChange: second ? turningPoint(input, best, second) : say('turn.another-machine'),
  };
}

type Possible = ProcessOption & { plan: NonNullable<ProcessOption['plan']> };

const rank = (input: ComparisonInput, options: readonly ProcessOption[]): Possible[] =>
  options
    .filter((option): option is Possible => option.plan !== null)
    .sort((p, q) => burden(input, p) - burden(input, q));

/** @param without a piece costs without this print, cents; `null` where it is not to be told what the print adds */
const optionsFor = (input: ComparisonInput, without: number | null): ProcessOption[] =>
  PROCESSES.flatMap((process) => optionFor(input, process, without));

function optionFor(input: ComparisonInput, process: Process, without: number | null): ProcessOption[] {
  const { id, name, artProcess, refusals, look, risks } = PROCESS_MODULES[process];
  const print = input.prints[artProcess(input.line.garment)];
  if (print === undefined) return [];
  const line: LineInput = { ...input.line, process, sources: [], print };
  const planned = planRoute(lineWith(input, { ...printOf(input), process, print }));
  if (!planned.ok) {
    const own = refusals(line); // all of this process's own, before what stands against the line as a whole
    const against = own.length > 0 ? own : planned.refusals.map(({ said }) => said);
    return [{ process: id, name, refusals: against, plan: null }];
  }
  const { route } = planned;
  const cost = priceRoute(route, input.blankCents, line.pieces, input.rates);
  return [
    {
      process: id,
      name,
      refusals: [],
      plan: {
        handsS: route.totals.handsS,
        elapsedS: route.totals.elapsedS,
        restBeforeDispatchS: route.restBeforeDispatchS,
        cost,
        addsCents: without === null ? null : cost.totalCents - without,
        look: look(line),
        risks: risks(line),
        conflicts: route.conflicts.map(({ said }) => said),
        problems: route.prints.flatMap(({ placement }) => placement.problems.map(({ said }) => said)),
        machines: machinesIn(route),
      },
    },
  ];
}

const printOf = ({
  id,
  line: { placement, artwork },
}: ComparisonInput): Pick<LinePrint, 'id' | 'placement' | 'artwork'> => ({ id, placement, artwork });

/** The line as it is planned with this print, or without any of that place. */
function lineWith(
  { line: { placement: _own, artwork: _art, ...line }, others }: ComparisonInput,
  print: LinePrint | null,
): RouteInput {
  const prints = [...others, ...(print ? [print] : [])].sort((p, q) => Number(p.id) - Number(q.id));
  return { ...line, overrides: [], sources: [], prints };
}

/** What a piece costs without this print, cents; nothing where it is the only one, or where the others cannot be made. */
function centsWithout(input: ComparisonInput): number | null {
  if (input.others.length === 0) return null;
  const without = planRoute(lineWith(input, null));
  return without.ok
    ? priceRoute(without.route, input.blankCents, input.line.pieces, input.rates).totalCents
    : null;
}

const machinesIn = ({ operations }: Route): string[] => [
  ...new Set(operations.flatMap((operation) => plannedMode(operation).machine?.name ?? [])),
];

/** Cost per piece and what its drawbacks are worth, cents. */
function burden(input: ComparisonInput, { process, plan }: Possible): number {
  const { cost, look, risks, conflicts, problems } = plan;
  return (
    cost.totalCents +
    HAND_CENTS * fullness(input, process) * (1 - look.softness) +
    OPACITY_CENTS * fullness(input, process) * (1 - look.opacity) +
    RISK_CENTS * risks.length +
    CONFLICT_CENTS * conflicts.length +
    PROBLEM_CENTS * problems.length
  );
}

/** Inked area as a share of a full front. */
function fullness({ prints, line }: ComparisonInput, process: Process): number {
  const print = prints[PROCESS_MODULES[process].artProcess(line.garment)];
  return Math.min(1, (print?.inkMm2 ?? 0) / FULL_FRONT_MM2);
}

/** Where the best beats the second, weightiest first; each weighed in cents a piece. */
function advantages(input: ComparisonInput, best: Possible, second: Possible): Said[] {
  const { pieces } = input.line;
  const [p, q] = [best.plan, second.plan];
  const full = fullness(input, best.process);
  const weighed: [weight: number, said: Said][] = [
    [
      CONFLICT_CENTS * (q.conflicts.length - p.conflicts.length),
      say(p.conflicts.length === 0 ? 'better.within-limits' : 'better.fewer-conflicts'),
    ],
    [
      q.cost.totalCents - p.cost.totalCents,
      say('better.cost', { cents: p.cost.totalCents, otherCents: q.cost.totalCents }),
    ],
    [
      ((q.handsS - p.handsS) / 3600 / pieces) * input.rates.centsPerHour,
      say('better.hands', { handsS: p.handsS, otherS: q.handsS }),
    ],
    [PROBLEM_CENTS * (q.problems.length - p.problems.length), say('better.placement')],
    [HAND_CENTS * full * (p.look.softness - q.look.softness), say('better.hand', { look: p.look.said })],
    [OPACITY_CENTS * full * (p.look.opacity - q.look.opacity), say('better.cover', { look: p.look.said })],
    [RISK_CENTS * (q.risks.length - p.risks.length), say('better.risks')],
  ];
  const strongest = weighed
    .filter(([weight]) => weight > 0)
    .sort(([a], [b]) => b - a)
    .slice(0, 2)
    .map(([, said]) => said);
  return strongest.length > 0 ? strongest : [say('better.level')];
}

const QUANTITIES = [1, 2, 3, 5, 8, 12, 18, 24, 36, 60, 100, 200];

/** The quantity nearest to this line's at which the recommendation changes, or what else would change it. */
function turningPoint(input: ComparisonInput, best: Possible, second: Possible): Said {
  const { pieces } = input.line;
  const byNearness = [...QUANTITIES].sort(
    (p, q) => Math.abs(Math.log(p / pieces)) - Math.abs(Math.log(q / pieces)),
  );
  for (const count of byNearness) {
    const other = {
      ...input,
      line: atQuantity(input.line, pieces, count),
      others: input.others.map((own) => atQuantity(own, pieces, count)),
    };
    const [top] = rank(other, optionsFor(other, null)); // what it adds moves no process before another
    if (top && top.process !== best.process)
      return count > pieces
        ? say('turn.from', { pieces: count, process: top.process })
        : say('turn.below', { pieces: count, process: top.process });
  }
  const { process } = second;
  const { look } = second.plan;
  if (look.softness > best.plan.look.softness) return say('turn.hand', { process, look: look.said });
  if (look.opacity > best.plan.look.opacity) return say('turn.cover', { process, look: look.said });
  return say('turn.taken', { process });
}

/** A line, or one of its prints, for another number of pieces. */
function atQuantity<T extends { placement: LinePlacement; pieces?: number }>(
  own: T,
  pieces: number,
  count: number,
): T {
  const sizes = own.placement.sizes.map((size) => ({
    ...size,
    quantity: Math.max(1, Math.round(size.quantity * (count / pieces))),
  }));
  return {
    ...own,
    ...(own.pieces === undefined ? {} : { pieces: count }),
    placement: { ...own.placement, sizes },
  };
}
