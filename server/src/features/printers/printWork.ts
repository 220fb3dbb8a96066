import type { PrinterJobInput, Run } from '@saltflat/contract';
import type { RunState, StepState } from '@saltflat/core/run';
import { timedPhases } from '@saltflat/core/work';
import type { Consumption, SettingRole } from '@saltflat/core/work';
import type { PrintWork } from './simulatedPrinter.ts';

/** A step of a run that prints film. */
export interface PrintStep {
  run: Pick<Run, 'id' | 'lines'>;
  state: Pick<RunState, 'parts'>;
  step: StepState;
}

/**
 * What a step’s printing takes, as its lines’ routes reckon it: minutes by mode and area, ink by art. Colour and white
 * take as long as each other (assumption: as many passes of each).
 */
export function printWork({ run, state, step }: PrintStep, part: PrinterJobInput['part']): PrintWork {
  const lines = run.lines.flatMap(({ key, code, route }) => {
    const own = step.parts.filter((id) => state.parts[id]?.line === key);
    const lane = state.parts[own[0] ?? '']?.lane;
    const operation = route.operations.find(({ role, lane: its }) => role === 'print' && its === lane);
    return operation ? [{ code, operation, count: own.length }] : [];
  });
  const [first] = lines;
  const settingS = (role: SettingRole): number =>
    first?.operation.settings.find(({ sets }) => sets === role)?.value ?? 0;
  const isDirect = isDirectStep({ run, step });
  const inkS = lines.reduce(
    (sum, { operation, count }) =>
      sum +
      timedPhases(operation).reduce(
        (all, { eachS, onceS }) => all + count * eachS + (isDirect ? onceS : 0),
        0,
      ),
    isDirect ? -settingS('pause') : 0,
  );
  const used = (is: (own: Consumption) => boolean): number =>
    lines.reduce(
      (sum, { operation, count }) =>
        sum + count * operation.consumes.filter(is).reduce((all, { amount }) => all + amount, 0),
      0,
    );
  const isWhite = ({ kind, what }: Consumption): boolean => kind === 'volume' && what.endsWith(', white');
  const isColour = ({ kind, what }: Consumption): boolean => kind === 'volume' && what.endsWith(', colour');
  const colour = { layer: 'colour', durationS: inkS / 2, ml: used(isColour) } as const;
  const pause = { layer: 'pause', durationS: settingS('pause'), ml: 0 } as const;
  const white = { layer: 'white', durationS: inkS / 2, ml: used(isWhite) } as const;
  const set = { layer: 'set', durationS: settingS('after-pause'), ml: 0 } as const;
  return {
    name: isDirect
      ? `${lines.map(({ code }) => code).join(' + ')}, a piece`
      : `${lines.map(({ code }) => code).join(' + ')}, ${step.parts.length} transfers`,
    mode: modeOf(first?.operation.checks ?? []),
    areaM2: used(({ kind }) => kind === 'area'),
    // on cloth the white lies below
    layers: isDirect
      ? [white, pause, colour]
      : part === 'second'
        ? [white, set]
        : [colour, pause, white, set],
  };
}

/** A garment is printed, not film. */
export function isDirectStep({ run, step }: Pick<PrintStep, 'run' | 'step'>): boolean {
  const line = run.lines.find(({ key }) => key === step.line);
  const lane = line?.route.operations[step.index]?.lane;
  return line?.route.lanes.find(({ id }) => id === lane)?.part === 'blank';
}

/** The mode that a route prints in, as its checks say it. */
function modeOf(checks: readonly { code: string; params?: unknown }[]): string {
  const said = checks.find(({ code }) => code === 'check.mode');
  const { mode } = (said?.params ?? {}) as { mode?: unknown };
  return typeof mode === 'string' ? mode : '';
}
