import { REASON_SOURCES } from '../work/index.ts';
import type { Limit, Range, Reason, Setting, SettingRole } from '../work/index.ts';
import { pressureLabel, say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { QuantityKind } from '../units/index.ts';
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
  /** What can be said of the value once it is settled: a press's own mark for it. */
  about?: (value: number) => Reason[];
}

/** A setting, and why a person's value for it was not taken: then it stands as it would without. */
export interface Settled {
  setting: Setting;
  refusal: Refusal | null;
}

/**
 * Settles a setting: the strongest reason that names a value wins, and every limit the value breaks is said.
 * Nothing is clamped; a value that cannot be set at all is refused. A pressure's word follows the value in force.
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
          {
            source: 'override',
            said: say('reason.override', { who: override.who, why: override.why }),
            value: override.value,
          },
          ...proposal.reasons,
        ]
      : proposal.reasons;
  const value = ranked(spoken).find((reason) => reason.value !== null)?.value;
  if (value === undefined || value === null)
    throw new RangeError(`no reason names a value for ${proposal.key}`);
  const { about, ...own } = proposal;
  const label = own.sets === 'pressure' ? pressureLabel(value) : own.label;
  const reasons = ranked([...spoken, ...(about?.(value) ?? [])]);
  const conflicts = own.limits
    .filter((limit) => breaks(value, limit))
    .map((limit) => conflictOf(own, value, limit));
  return { setting: { ...own, label, reasons, value, conflicts }, refusal };
}

/** Strongest first. */
export const ranked = (reasons: readonly Reason[]): Reason[] =>
  [...reasons].sort((p, q) => REASON_SOURCES.indexOf(p.source) - REASON_SOURCES.indexOf(q.source));

function refusalOf({ label, kind, ability }: SettingProposal, override: Override): Refusal | null {
  const { operation, setting, value } = override;
  const refused = (of: Refusal['kind'], said: Said): Refusal => ({
    kind: of,
    said,
    override: { operation, setting },
  });
  if (!isWithin(value, ability))
    return refused('beyond-ability', say('refusal.beyond-ability', { label, kind, value, ...ability }));
  if (kind === 'count' && !Number.isInteger(value))
    return refused('not-of-its-kind', say('refusal.not-whole', { label, value }));
  return kind === 'flag' && !Number.isInteger(value)
    ? refused('not-of-its-kind', say('refusal.not-flag', { label, value }))
    : null;
}

/** True when the value lies in the range, ends included. */
export const isWithin = (value: number, { min, max }: Range): boolean => value >= min && value <= max;

/** The value of the range nearest to a wish. */
export const nearestIn = ({ min, max }: Range, wished: number): number =>
  Math.min(max, Math.max(min, wished));

const breaks = (value: number, { min, max }: Limit): boolean =>
  (min !== null && value < min) || (max !== null && value > max);

function conflictOf({ label, kind }: Pick<Setting, 'label' | 'kind'>, value: number, limit: Limit): Said {
  const isOver = limit.max !== null && value > limit.max;
  const bound = (isOver ? limit.max : limit.min) ?? 0;
  return say('conflict', { label, kind, value, bound, isOver, limit: limit.said });
}

/** What a maker's sheet asks for: the wish if the sheet allows it, otherwise the nearest value it does allow. */
export function makerReason(maker: string, range: Range, wished: number, kind: QuantityKind): Reason {
  const value = nearestIn(range, wished);
  return {
    source: 'maker',
    said: say('reason.sheet', { maker, ...spanOf(range), kind, value, isWish: value === wished }),
    value,
  };
}

/** The two ends of a range and nothing else that stands with it. */
export const spanOf = ({ min, max }: Range): Range => ({ min, max });
