/** True once the due time has passed and the order still has work in it. */
export const isLate = (iso: string, state: string, nowMs: number): boolean =>
  Date.parse(iso) < nowMs && state !== 'done' && state !== 'cancelled';
