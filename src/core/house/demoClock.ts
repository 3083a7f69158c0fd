import type { DemoClock } from './nursery.ts';

/** The demo's instant: where it was set, plus what has run since at its rate. */
export function demoInstant_ms(clock: DemoClock, machine_ms: number): number {
  return clock.running ? clock.at_ms + (machine_ms - clock.anchor_ms) * clock.rate : clock.at_ms;
}
