import { isoFromDay, requireDay } from '../core/calendar/dayNumber.ts';
import { localTimeAt, type Now } from '../core/calendar/localDay.ts';
import type { ClockInput } from '../contracts/house/settings.ts';
import { fieldProblem, ProblemError } from '../contracts/problem.ts';
import type { DemoClock, NurseryRecord } from '../core/house/nursery.ts';

/** Now at the nursery: the machine's clock, or the demo's own. */
export function nowAt(nursery: Pick<NurseryRecord, 'timeZone' | 'demoClock'>, machine_ms: number = Date.now()): Now {
  const instant_ms = nursery.demoClock ? demoInstant_ms(nursery.demoClock, machine_ms) : machine_ms;
  const local = localTimeAt(instant_ms, nursery.timeZone);
  return { instant_ms, today: local.day, minute: local.minute };
}

/** The demo's instant: where it was set, plus what has run since at its rate. */
export function demoInstant_ms(clock: DemoClock, machine_ms: number): number {
  return clock.running ? clock.at_ms + (machine_ms - clock.anchor_ms) * clock.rate : clock.at_ms;
}

/** The demo's clock after it is set, run or paused. A real nursery's clock is the machine's and refuses. */
export function changedClock(
  nursery: Pick<NurseryRecord, 'timeZone' | 'demoClock'>,
  change: ClockInput,
  machine_ms: number = Date.now(),
): DemoClock {
  if (!nursery.demoClock) {
    throw new ProblemError(409, 'This clock is the machine’s', 'Only the demo nursery has a clock that can be set.');
  }
  if (change.setTo !== undefined) {
    const day = requireDay(change.setTo);
    const [first, last] = [CLOCK_DAYS.from, CLOCK_DAYS.to].map(requireDay) as [number, number];
    if (day < first || day > last)
      throw fieldProblem(
        'setTo',
        `The demo’s seasons run from ${CLOCK_DAYS.from} to ${CLOCK_DAYS.to}; choose a day between.`,
      );
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

const MORNING_min = 8 * 60;
const MINUTE_ms = 60_000;

/** Eight in the morning of a local day, epoch ms, on daylight-saving days as well. */
export function morningOf(day: number, timeZone: string): number {
  let guess = Date.parse(`${isoFromDay(day)}T08:00:00Z`);
  // Twice, because the offset at the first guess may be that of the other side of a clock change.
  for (let i = 0; i < 2; i++) {
    const local = localTimeAt(guess, timeZone);
    guess += ((day - local.day) * 24 * 60 + MORNING_min - local.minute) * MINUTE_ms;
  }
  return guess;
}
