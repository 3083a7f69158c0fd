import type { Instance } from '../src/core/plan/placement/instance.ts';
import { makeProblem, trackOf } from '../src/core/plan/placement/problem.ts';
import { NONE, refreshTrack } from '../src/core/plan/placement/track.ts';

export interface RuleFigures {
  readonly over_slotDays: number;
  readonly heat_kWh: number;
  /** The same if the room it takes beyond what there is were there and heated alike: a place twice overfilled costs thrice. */
  readonly heatOfRoomTaken_kWh: number;
  readonly late_trayDays: number;
  readonly stuck: number;
}

/**
 * How it is done by hand: each batch is sown so many weeks before its date by the rule, moved on the days of the rule or
 * when it is ready, into the first place that will do and has room on the day it comes, else the first that will do; the
 * set-points stay as they are at the start. What that overfills, heats and makes late.
 */
export function byRuleOfWeeks(instance: Instance, ruleDays: readonly (readonly number[])[]): RuleFigures {
  const problem = makeProblem(instance);
  const { days, blocks, blockOf, placeCount } = problem;
  const rows = new Uint8Array(placeCount * blocks);
  instance.places.forEach((place, p) => rows.set(place.row.slice(0, blocks), p * blocks));
  const taken = instance.places.map(() => new Float64Array(days));
  const used = instance.places.map(() => new Uint8Array(blocks));
  let late_trayDays = 0;
  let stuck = 0;
  instance.batches.forEach((batch, i) => {
    const rule = ruleDays[i]!;
    let day = Math.max(0, batch.target - rule.reduce((a, b) => a + b, 0));
    let going = true;
    batch.stages.forEach((index, k) => {
      if (!going) return;
      const spec = instance.stages[index]!;
      const slots = batch.slots[k]!;
      const ends = spec.places.map((p) => {
        const track = trackOf(problem, index, p);
        refreshTrack(track, spec, rows, p * blocks, blockOf, days);
        track.version = NONE;
        return track.end[Math.min(days - 1, day)]!;
      });
      const will = spec.places.map((p, j) => ({ p, end: ends[j]! })).filter(({ end }) => end !== NONE);
      const choice = will.find(({ p }) => taken[p]![day]! + slots <= instance.places[p]!.room_slots) ?? will[0];
      if (!choice) {
        stuck++;
        going = false;
        return;
      }
      const end = Math.min(days - 1, Math.max(choice.end, day + rule[k]!));
      for (let d = day; d < end; d++) {
        taken[choice.p]![d]! += slots;
        used[choice.p]![blockOf[d]!] = 1;
      }
      day = end;
    });
    if (going) late_trayDays += Math.max(0, day - batch.target - batch.after_days) * batch.trays;
  });
  let over_slotDays = 0;
  let heat_kWh = 0;
  let heatOfRoomTaken_kWh = 0;
  instance.places.forEach((place, p) => {
    const peak = new Float64Array(blocks);
    for (let d = 0; d < days; d++) {
      const block = blockOf[d]!;
      peak[block] = Math.max(peak[block]!, taken[p]![d]!);
      const closed = place.closed.some(([from, to]) => d >= from && d < to);
      over_slotDays += Math.max(0, taken[p]![d]! - (closed ? 0 : place.room_slots));
    }
    for (let b = 0; b < blocks; b++) {
      if (!used[p]![b]) continue;
      const kWh = problem.heat_kWh[p]![rows[p * blocks + b]! * blocks + b]!;
      heat_kWh += kWh;
      heatOfRoomTaken_kWh += kWh * Math.max(1, place.room_slots > 0 ? peak[b]! / place.room_slots : 1);
    }
  });
  return { over_slotDays, heat_kWh, heatOfRoomTaken_kWh, late_trayDays, stuck };
}
