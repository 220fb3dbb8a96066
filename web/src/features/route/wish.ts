import type { BenchStack } from '@saltflat/core/heat';
import { settingFor } from '@saltflat/core/work';
import type { SettingRole } from '@saltflat/core/work';
import type { Route } from '@saltflat/core/route';
import type { Tried } from './triedRoute.ts';

/** Settings of a press that an address can ask a route to try. */
const ROLES = ['temperature', 'dwell', 'pressure', 'bursts'] as const satisfies readonly SettingRole[];

/** A stack of the bench as the part of an address that has a route try it. */
export const wishOf = ({ plateC, dwellS, kPa, closings, gapMm }: BenchStack): string =>
  new URLSearchParams({
    temperature: String(plateC),
    dwell: String(dwellS),
    ...(gapMm === 0 ? { pressure: String(kPa) } : {}),
    ...(closings > 1 ? { bursts: String(closings) } : {}),
  }).toString();

/** What an address asks to be tried: at the press that bonds or cures, for the settings that it has. */
export function wishedIn({ operations }: Route, params: URLSearchParams): Tried[] {
  const operation = [...operations].reverse().find(({ role }) => role === 'bond' || role === 'cure');
  if (operation === undefined) return [];
  return ROLES.flatMap((role) => {
    const setting = settingFor(operation, role);
    const value = Number(params.get(role) ?? NaN);
    return setting && Number.isFinite(value) && value !== setting.value
      ? [{ operation: operation.id, setting: setting.key, value }]
      : [];
  });
}
