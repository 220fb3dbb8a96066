import type { Route } from '@saltflat/core/route';
import type { PieceOutcome, RunState, StepState } from '@saltflat/core/run';

/** An outcome with the settings and readings its piece really had. */
export interface OutcomeRow extends PieceOutcome {
  plateC: number | null;
  dwellS: number | null;
  /** From start to end of the deciding press, less the hover planned before it closed, s; `null` where it was over sooner. */
  actualDwellS: number | null;
  pretreatmentG: number | null;
  pretreatmentTargetG: number | null;
}

/** The press that decides: the transfer's, on a cap the cap press, or the cure of a direct print. */
const DECIDING = ['press-transfer', 'press-cap', 'cure'];

/** Puts settings and readings beside each piece's verdict. */
export function projectOutcomes(route: Route, state: RunState): OutcomeRow[] {
  const deciding = route.operations.find(({ id }) => DECIDING.includes(id));
  const value = (key: string): number | null =>
    deciding?.settings.find((setting) => setting.key === key)?.value ?? null;
  const pretreat = route.operations.find(({ weighIn }) => weighIn !== null);
  const stepsOf = (id: string | undefined): Map<number, StepState> =>
    new Map(state.steps.flatMap((step) => (step.operation === id ? [[step.piece, step] as const] : [])));
  const presses = stepsOf(deciding?.id);
  const weighings = stepsOf(pretreat?.id);
  return state.outcomes.map((outcome) => {
    const pressed = presses.get(outcome.piece);
    const weighed = weighings.get(outcome.piece);
    return {
      ...outcome,
      plateC: value('tempC'),
      dwellS: value('dwellS'),
      actualDwellS: pressed ? keptDwellS(pressed, value('hoverS') ?? 0) : null,
      pretreatmentG:
        weighed && weighed.beforeG !== null && weighed.afterG !== null
          ? weighed.afterG - weighed.beforeG
          : null,
      pretreatmentTargetG: pretreat?.weighIn?.targetG ?? null,
    };
  });
}

/** How long a press was closed, as far as its start and end tell. */
function keptDwellS({ startedAt, completedAt }: StepState, hoverS: number): number | null {
  if (startedAt === null || completedAt === null) return null;
  const closedS = (Date.parse(completedAt) - Date.parse(startedAt)) / 1000 - hoverS;
  return closedS < 0 ? null : closedS;
}
