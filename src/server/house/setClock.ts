import type { ClockInput } from '../../contracts/house/settings.ts';
import { updateDemoClock } from '../../db/books/books.ts';
import { askForJob } from '../../db/house/jobs.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { demoInstant_ms } from '../../core/house/demoClock.ts';
import type { DemoClock, NurseryRecord } from '../../core/house/nursery.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { morningOf } from '../clock.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { WORDS } from '../../words/en/house/setClock.ts';

/** Sets, runs or pauses the demo's clock; what goes by the clock is looked at anew. */
export async function updateDemoClockTo(change: ClockInput): Promise<void> {
  const { world } = await readSeason();
  await updateDemoClock(changedClock(world.nursery, change));
  for (const job of ['forecast', 'alarms'] as const) await askForJob(database(), job);
}

/** The demo's clock after it is set, run or paused. A real nursery's clock is the machine's and refuses. */
export function changedClock(
  nursery: Pick<NurseryRecord, 'timeZone' | 'demoClock'>,
  change: ClockInput,
  machine_ms: number = Date.now(),
): DemoClock {
  if (!nursery.demoClock) {
    throw new ProblemError(409, WORDS.thisClockIsTheMachines, WORDS.onlyTheDemoNurseryHas);
  }
  if (change.setTo !== undefined) {
    const day = requireDay(change.setTo);
    const [first, last] = [CLOCK_DAYS.from, CLOCK_DAYS.to].map(requireDay) as [number, number];
    if (day < first || day > last)
      throw fieldProblem('setTo', WORDS.theDemosSeasonsRunFrom(CLOCK_DAYS.from, CLOCK_DAYS.to));
  }
  const at_ms =
    change.setTo === undefined
      ? demoInstant_ms(nursery.demoClock, machine_ms)
      : morningOf(requireDay(change.setTo), nursery.timeZone);
  return {
    at_ms,
    anchor_ms: machine_ms,
    running: change.running ?? nursery.demoClock.running,
    rate: change.rate ?? nursery.demoClock.rate,
  };
}

/** Days the demo's clock can be set to: its seasons and a year about them. */
const CLOCK_DAYS = { from: '2026-01-01', to: '2029-12-31' } as const;
