import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput, RouteInput, RouteSource } from './documents.ts';
import { CHOICES } from './equip.ts';
import { melterFor } from './melters.ts';
import type { LineInput } from './processes/index.ts';
import { PROCESS_MODULES } from './processes/index.ts';
import type { Refusal } from './refusal.ts';
import { viewOf } from './blankOrder.ts';
import type { SourceChoice, SourceRole } from './sources/index.ts';

/** The roles a print's process fills from the set-up, what its powder is melted in included. */
function rolesOf(input: PrintInput): SourceRole[] {
  const roles = PROCESS_MODULES[input.process].sources(input satisfies LineInput);
  if (!roles.includes('powder')) return [...roles];
  const { means } = melterFor(input);
  return means === 'hover' ? [...roles] : [...roles, means];
}

/** What a print is made with, role by role: which, why, and what else there was. */
export const sourcesOf = (input: PrintInput): RouteSource[] =>
  rolesOf(input).map((role) => {
    const { chosen, why, others } = CHOICES[role](input);
    return { role, id: chosen.id, name: chosen.name, why, others };
  });

/** People's choices that name no print of the line, nothing of the set-up, or a thing that cannot be used here. */
export const lostSources = (input: RouteInput): SourceChoice[] =>
  input.sources.filter((own) => sourceRefusal(input, own) !== null);

/** Why each of those cannot be taken. */
export const refusedSources = (input: RouteInput): Refusal[] =>
  input.sources.flatMap((own) => {
    const said = sourceRefusal(input, own);
    return said === null ? [] : [{ kind: 'no-such-setting' as const, said, override: null }];
  });

function sourceRefusal(input: RouteInput, own: SourceChoice): Said | null {
  const print = input.prints.find(({ id }) => id === own.print);
  const source = print && sourcesOf(viewOf(input, print)).find(({ role }) => role === own.role);
  if (source?.id === own.id) return null;
  const other = source?.others.find(({ id }) => id === own.id);
  return other
    ? say('refusal.source-unfit', { name: other.name, why: other.why })
    : say('refusal.no-such-source', { role: own.role, print: own.print });
}
