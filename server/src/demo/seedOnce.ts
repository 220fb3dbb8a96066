import type { Database } from '../db/connection.ts';
import type { Services } from '../services.ts';
import { BEGUN, DemoNotes, WHOLE } from './demoNotes.ts';
import { seedDemo } from './seedDemo.ts';
import type { DemoSeed } from './seedDemo.ts';

/**
 * Fills an empty database with the made-up shop, once. Runs while all other processes are held off. A demo that was
 * broken off is begun anew: nothing was served meanwhile, so nothing in it is anybody's.
 */
export async function seedOnce(db: Database, services: Services, seed: DemoSeed): Promise<void> {
  const notes = new DemoNotes(db);
  const known = await notes.all();
  if (known.includes(WHOLE)) return;
  if (known.includes(BEGUN)) await notes.emptyAll();
  else {
    if (known.length > 0 || (await db.models.styles.count()) > 0) return; // somebody's own shop, or filled by hand
    await notes.note(BEGUN);
  }
  await seedDemo(services, seed);
  await notes.note(WHOLE);
}
