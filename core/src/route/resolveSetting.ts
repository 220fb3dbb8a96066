import { formatQuantity } from '../units/index.ts';
import type { QuantityKind } from '../units/index.ts';
import { REASON_SOURCES } from '../work/index.ts';
import type { Limit, Range, Reason, Setting, SettingRole } from '../work/index.ts';
import type { Override } from './documents.ts';
import type { Refusal } from './refusal.ts';

/** A setting before its value is settled: everything that speaks for one value or against it. */
export interface SettingProposal {
  key: string;
  sets: SettingRole;
  label: string;
  kind: QuantityKind;
  reasons: Reason[];
  limits: Limit[];
  ability: Range;
}

/** A setting, and why a person's value for it was not taken: then it stands as it would without. */
export interface Settled {
  setting: Setting;
  refusal: Refusal | null;
}

/**
 * Settles a setting: the strongest reason that names a value wins, and every limit the value breaks is said.
 * Nothing is clamped; a value that cannot be set at all is refused.
 *
 * @param overrides the persons' values for this operation
 * @throws RangeError when no reason names a value: a practice that forgot to
 */
export function resolveSetting(proposal: SettingProposal, overrides: readonly Override[]): Settled {
  const override = overrides.find((own) => own.setting === proposal.key);
  const refusal = override ? refusalOf(proposal, override) : null;
  const spoken: Reason[] =
    override && refusal === null
      ? [
          { source: 'override', text: `${override.who}: ${override.why}`, value: override.value },
          ...proposal.reasons,
        ]
      : proposal.reasons;
  const reasons = [...spoken].sort(
    (p, q) => REASON_SOURCES.indexOf(p.source) - REASON_SOURCES.indexOf(q.source),
  );
  const value = reasons.find((reason) => reason.value !== null)?.value;
  if (value === undefined || value === null)
    throw new RangeError(`no reason names a value for ${proposal.key}`);
  const conflicts = proposal.limits
    .filter((limit) => breaks(value, limit))
    .map((limit) => conflictText(proposal, value, limit));
  return { setting: { ...proposal, reasons, value, conflicts }, refusal };
}

function refusalOf(proposal: SettingProposal, override: Override): Refusal | null {
  const { operation, setting, value } = override;
  const at = { operation, setting };
  if (!isWithin(value, proposal.ability))
    return { code: 'beyond-ability', text: beyondAbility(proposal, value), override: at };
  const isWhole = Number.isInteger(value);
  if (proposal.kind === 'count' && !isWhole)
    return {
      code: 'not-of-its-kind',
      text: `${proposal.label} ${value} is not a whole number.`,
      override: at,
    };
  return proposal.kind === 'flag' && !isWhole
    ? {
        code: 'not-of-its-kind',
        text: `${proposal.label} is either yes (1) or no (0), not ${value}.`,
        override: at,
      }
    : null;
}

/** True when the value lies in the range, ends included. */
export const isWithin = (value: number, { min, max }: Range): boolean => value >= min && value <= max;

/** The value of the range nearest to a wish. */
export const nearestIn = ({ min, max }: Range, wished: number): number =>
  Math.min(max, Math.max(min, wished));

const breaks = (value: number, { min, max }: Limit): boolean =>
  (min !== null && value < min) || (max !== null && value > max);

function conflictText({ label, kind }: SettingProposal, value: number, limit: Limit): string {
  const isOver = limit.max !== null && value > limit.max;
  const bound = isOver ? limit.max : limit.min;
  return `${label} ${formatQuantity(value, kind)} is ${isOver ? 'over' : 'under'} ${formatQuantity(bound ?? 0, kind)}: ${limit.text}`;
}

function beyondAbility({ label, kind, ability }: SettingProposal, value: number): string {
  return `${label} ${formatQuantity(value, kind)} is beyond what can be set: ${formatQuantity(ability.min, kind)} to ${formatQuantity(ability.max, kind)}.`;
}

/**
 * The reason a maker's sheet gives: the wish if the sheet allows it, otherwise the nearest value it does allow.
 *
 * @param wished what the fabric alone would ask for
 */
export function makerReason(maker: string, range: Range, wished: number, kind: QuantityKind): Reason {
  const value = nearestIn(range, wished);
  const span = `${formatQuantity(range.min, kind)} to ${formatQuantity(range.max, kind)}`;
  const text =
    value === wished
      ? `${maker} asks for ${span}; ${formatQuantity(value, kind)} suits this fabric and lies inside it.`
      : `${maker} asks for ${span}; its nearest to what the fabric wants is ${formatQuantity(value, kind)}.`;
  return { source: 'maker', text, value };
}
