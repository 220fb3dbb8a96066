import { formatQuantity, parseQuantity, toShown } from '@saltflat/core/units';
import type { QuantityKind, UnitSystem } from '@saltflat/core/units';

/** A stored quantity as a field shows it: without its unit, to what the unit is read to. */
export function shownText(value: number | null, kind: QuantityKind, system: UnitSystem): string {
  if (value === null) return '';
  if (kind === 'flag') return formatQuantity(value, kind);
  const isSmall = kind === 'length' && system.length === 'in';
  const steps = isSmall ? 1000 : 100; // a choke is thousandths of an inch
  return String(Math.round(toShown(value, kind, system) * steps) / steps);
}

/** True while what is typed still says this value: then it stays as it was typed. */
export function stillSays(text: string, value: number, kind: QuantityKind, system: UnitSystem): boolean {
  const parsed = parseQuantity(text, kind, system);
  return parsed.ok && shownText(parsed.value, kind, system) === shownText(value, kind, system);
}
