import type { Code, Said } from '../words/index.ts';
import { say } from '../words/index.ts';
import type { Finding } from './finding.ts';

/** What is wrong with a file as people say it: a name for it, and what will happen on the garment. */
export function sayFinding({ code, params }: Pick<Finding, 'code' | 'params'>): { title: Said; text: Said } {
  const [title, text]: Code[] = [`finding-title.${code}`, `finding.${code}`]; // every code has both: the compiler sees to it
  return { title: { code: title, params }, text: { code: text, params } };
}

/** Who has art printed though something stops the print, what that is, and why. */
export function sayOverrule(overrule: {
  by: string;
  why: string;
  of: readonly { finding: Pick<Finding, 'code' | 'params'> }[];
}): Said {
  const of = overrule.of.map(({ finding }) => sayFinding(finding).title);
  return say('art.overruled', { by: overrule.by, why: overrule.why, of });
}

/** Those that make the print not worth starting. */
export const stopsOf = <F extends Pick<Finding, 'severity'>>(findings: readonly F[]): F[] =>
  findings.filter(({ severity }) => severity === 'stop');
