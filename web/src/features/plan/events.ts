import type { WorkCalendar } from '@saltflat/core/plan';

/** Something that comes in the way for a while, times on the wall clock of the shop. */
export interface ShopEvent {
  kind: 'machine' | 'person' | 'power';
  /** The machine, or who; nobody asks where the power is out. */
  what: string;
  from: string;
  to: string;
  why: string;
}

/** The calendar with what has come in the way: without power nobody works, and no machine. */
export function withEvent(
  calendar: WorkCalendar,
  { kind, what, from, to, why }: ShopEvent,
  machines: readonly string[],
): WorkCalendar {
  const span = { from, to, why };
  const isPower = kind === 'power';
  const down = isPower ? machines : kind === 'machine' ? [what] : [];
  const away = isPower ? calendar.people.map(({ name }) => name) : kind === 'person' ? [what] : [];
  return {
    ...calendar,
    down: [...calendar.down, ...down.map((machine) => ({ machine, ...span }))],
    away: [...calendar.away, ...away.map((person) => ({ person, ...span }))],
  };
}
