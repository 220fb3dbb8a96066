import { runPlanOf } from '@saltflat/contract';
import type { Route } from '@saltflat/core/route';
import { madeIn } from '@saltflat/core/run';
import type { MadeIn, PieceOutcome, RunState, StepState } from '@saltflat/core/run';
import { plannedMode } from '@saltflat/core/work';
import type { Operation, Phase } from '@saltflat/core/work';
import { lotsOf } from './lotsOf.ts';
import type { OpenedLot, UsedLot } from './lotsOf.ts';

/** An outcome with the settings and readings its piece really had. */
export interface OutcomeRow extends Pick<
  PieceOutcome,
  'line' | 'piece' | 'verdict' | 'faults' | 'note' | 'photo' | 'at' | 'by'
> {
  plateC: number | null;
  dwellS: number | null;
  /** How long the deciding press was closed, as far as what was tapped tells, s; `null` where it was over sooner. */
  actualDwellS: number | null;
  pretreatmentG: number | null;
  pretreatmentTargetG: number | null;
  /** Where it was printed, melted, sprayed, pressed and cured, and with what else. */
  made: MadeIn[];
  lots: UsedLot[];
}

/**
 * Puts settings, readings and lots beside each piece's verdict.
 *
 * @param opened lots of materials, oldest first
 */
export function projectOutcomes(
  run: Parameters<typeof runPlanOf>[0],
  state: RunState,
  opened: readonly OpenedLot[] = [],
): OutcomeRow[] {
  if (state.outcomes.length === 0) return [];
  const made = madeIn(runPlanOf(run), state);
  const lots = lotsOf(run, state, opened);
  const known = new Map(run.lines.map(({ key, route }) => [key, measuresOf(key, route, state)]));
  return state.outcomes.flatMap(({ line, piece, part, verdict, faults, note, photo, at, by }) => {
    const measured = known.get(line)?.(part);
    if (!measured) return [];
    const own = made(part);
    return [
      {
        ...{ line, piece, verdict, faults, note, photo, at, by },
        ...measured,
        made: own,
        lots: lots(own),
      },
    ];
  });
}

type Measures = Omit<OutcomeRow, keyof PieceOutcome | 'made' | 'lots'>;

/** What is known of each of a line's pieces. */
function measuresOf(key: string, route: Route, state: RunState): (part: string) => Measures {
  const deciding = decidingOperation(route);
  const closings = deciding ? plannedMode(deciding).phases.filter(isClosed) : [];
  const sprayed = route.operations.find(({ weighIn }) => weighIn !== null);
  const stepsAt = (operation: Operation | undefined): Map<string, StepState> =>
    new Map(
      state.steps
        .filter((step) => step.line === key && step.operation === operation?.id)
        .flatMap((step) => step.parts.map((part) => [part, step] as const)),
    );
  const presses = stepsAt(deciding);
  const weighings = stepsAt(sprayed);
  return (part) => {
    const pressed = presses.get(part);
    const weighed = weighings.get(part);
    return {
      plateC: deciding ? plannedMode(deciding).stateC : null,
      dwellS: closings.length > 0 ? closings.reduce((sum, { onceS }) => sum + onceS, 0) : null,
      actualDwellS: pressed && deciding ? keptDwellS(pressed, deciding) : null,
      pretreatmentG:
        weighed && weighed.beforeG !== null && weighed.afterG !== null
          ? weighed.afterG - weighed.beforeG
          : null,
      pretreatmentTargetG: sprayed?.weighIn?.targetG ?? null,
    };
  };
}

/** The press that decides: what bonds on the piece itself, or cures it; on a patched cap the last that bonds. */
function decidingOperation({ lanes, operations }: Route): Operation | undefined {
  const root = lanes.find(({ part }) => part === 'blank')?.id;
  return operations.filter(({ role, lane }) => lane === root && (role === 'bond' || role === 'cure')).at(-1);
}

const isClosed = ({ heat }: Phase): boolean => heat?.press.over === 'platen';

/**
 * How long a press was closed. Its phases are tapped one by one where the floor did so: then the last closing is from
 * its own tap; otherwise the time planned above the work comes off the whole.
 */
function keptDwellS(
  { startedAt, completedAt, phase, phaseAt }: StepState,
  operation: Operation,
): number | null {
  if (startedAt === null || completedAt === null) return null;
  const timed = plannedMode(operation).phases.filter(({ isTimed }) => isTimed);
  const isTapped = phase > 0 && phaseAt !== null;
  const before = isTapped ? timed.slice(0, phase).filter(isClosed) : [];
  const openS = isTapped
    ? 0
    : timed.filter((own) => !isClosed(own)).reduce((sum, { onceS }) => sum + onceS, 0);
  const sinceS = (Date.parse(completedAt) - Date.parse(isTapped ? phaseAt : startedAt)) / 1000;
  const closedS = sinceS - openS + before.reduce((sum, { onceS }) => sum + onceS, 0);
  return closedS < 0 ? null : closedS;
}
