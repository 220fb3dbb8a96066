import { minuteIn } from '@saltflat/contract/wallClock';
import { shopNow } from '@saltflat/contract/shopNow';
import { Planning, planPicture, shopInstance } from '@saltflat/core/plan';
import { demoCalendar, demoZone } from '@saltflat/demo';
import type { Services } from '../services.ts';

/** Plans tried for the plan the made-up shop follows: a second’s worth. */
const TRIES = 300;

const hourIn = (zone: string, ms: number): number => Math.floor(minuteIn(zone, ms) / 60);

/**
 * When the made-up shop works.
 *
 * @returns the time zone it lies in
 */
export async function seedCalendar({ calendar }: Pick<Services, 'calendar'>, nowMs: number): Promise<string> {
  const { version, document } = await calendar.read();
  const zone = demoZone(document.zone, hourIn(document.zone, nowMs), hourIn('Etc/UTC', nowMs));
  await calendar.change({ version, record: demoCalendar(zone) });
  return zone;
}

/** The plan it follows, made as a page makes it. */
export async function seedPlan(
  { plans, catalogue }: Pick<Services, 'plans' | 'catalogue'>,
  { nowMs, by }: { nowMs: number; by: string },
): Promise<void> {
  const [ground, { machines }] = await Promise.all([plans.ground(), catalogue.read()]);
  const shop = shopNow(ground, machines, nowMs);
  const own = shopInstance(shop);
  const planning = new Planning({ instance: own.instance, seed: 1 });
  for (let k = 0; k < TRIES; k++) planning.step(k / TRIES);
  const { zone } = ground.calendar.document;
  const epoch = new Date(shop.epochMs).toISOString();
  const document = { epoch, zone, ...planPicture(own, planning.answer.best.ops) };
  await plans.keep({ basedOn: ground.kept?.number ?? 0, document, by });
}
