import type { ClockInput } from '../../contracts/house/settings.ts';
import { updateDemoClock } from '../../db/books/books.ts';
import { askForJob } from '../../db/house/jobs.ts';
import { changedClock } from '../clock.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';

/** Sets, runs or pauses the demo's clock; what goes by the clock is looked at anew. */
export async function updateDemoClockTo(change: ClockInput): Promise<void> {
  const { world } = await readSeason();
  await updateDemoClock(changedClock(world.nursery, change));
  for (const job of ['forecast', 'alarms'] as const) await askForJob(database(), job);
}
