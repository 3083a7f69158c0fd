import type { ClockInput } from '../../contracts/house/settings.ts';
import { updateDemoClock } from '../../db/books/books.ts';
import { changedClock } from '../clock.ts';
import { readSeason } from '../plan/season.ts';

/** Sets, runs or pauses the demo's clock. */
export async function updateDemoClockTo(change: ClockInput): Promise<void> {
  const { world } = await readSeason();
  await updateDemoClock(changedClock(world.nursery, change));
}
