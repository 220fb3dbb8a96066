import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { AxeResults } from 'axe-core';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Rules for people who see, hear or handle otherwise, and what is good practice beyond them. */
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What fades in is half transparent on its way, and would be found too pale. What never ends, as a bar that runs, is not waited for. */
const untilStill = async (): Promise<void> => {
  const ending = document
    .getAnimations()
    .filter(({ effect }) => Number(effect?.getComputedTiming().endTime) < Infinity);
  await Promise.allSettled(ending.map(({ finished }) => finished));
};

/**
 * What axe finds wrong on the page as it stands, as rule and element. It is put into the page once, not anew for every look.
 *
 * @param without rules that are not asked for, as what was looked at already
 */
export async function axeFindings(page: Page, without: readonly string[] = []): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(SOURCE);
  await page.evaluate(untilStill);
  const violations = await page.evaluate(
    async ([tags, rules]) => {
      const { axe } = window as unknown as { axe: { run: (options: object) => Promise<AxeResults> } };
      const results = await axe.run({
        runOnly: { type: 'tag', values: tags },
        rules: Object.fromEntries(rules.map((rule) => [rule, { enabled: false }])),
        resultTypes: ['violations'], // the rest is not read, and takes most of the time
      });
      return results.violations.map(({ id, nodes }) => ({ id, targets: nodes.map(({ target }) => target) }));
    },
    [TAGS, without] as const,
  );
  return violations.flatMap(({ id, targets }) => targets.map((target) => `${id}: ${target.join(' ')}`));
}
