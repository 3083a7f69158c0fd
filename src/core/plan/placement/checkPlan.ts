import { normalQuantile } from '../../numerics/normal.ts';
import type { DaySky, Instance, LevelSpec } from './instance.ts';
import type { Solution } from './solution.ts';
import { WORDS } from '../../../words/en/plan/checkPlan.ts';

/** What a plan is found to be. */
export interface Verdict {
  readonly faults: readonly string[];
  readonly cost: number;
  readonly heat_kWh: number;
  readonly late_trayDays: number;
  readonly unplaced: number;
  /** Tray-days over room, and the most slots over on one day. */
  readonly over_slotDays: number;
}

/**
 * A placement checked slowly and plainly, day by day, from the instance alone; shares no code with the search. Room that
 * pinned batches alone overfill is no fault of the plan.
 */
export function checkPlan(instance: Instance, solution: Solution): Verdict {
  const faults: string[] = [];
  const { days, places, stages, batches, weights } = instance;
  const blockOf = (d: number) => Math.floor((d + instance.blockOffset) / instance.blockDays);
  const levelOn = (p: number, d: number) => places[p]!.levels[solution.rows[p]![blockOf(d)]!]!;
  const taken = places.map(() => new Array<number>(days).fill(0));
  const forced = places.map(() => new Array<number>(days).fill(0));
  const heatedBlocks = new Set<string>();
  const work_min = new Array<number>(blockOf(days) + 1).fill(0);
  let cost = 0;
  let late_trayDays = 0;
  let unplaced = 0;

  batches.forEach((batch, i) => {
    const placed = solution.batches[i]!;
    const say = (text: string) => faults.push(`${batch.name}: ${text}`);
    if (placed.out === null) {
      unplaced++;
      cost += weights.unplaced_perTray * batch.trays * batch.weight;
    }
    const first = batch.pinned?.[0]?.stage ?? batch.inProgress?.at ?? 0;
    if (placed.out !== null && placed.stays.length !== batch.stages.length - first) say(WORDS.doesNotGoThroughAll);
    if (batch.pinned) {
      for (const pin of batch.pinned) {
        const kept = placed.stays.find((s) => s.stage === pin.stage);
        if (!kept || kept.place !== pin.place || kept.from !== pin.from || kept.to !== pin.to)
          say(WORDS.wasPinnedAndHasMoved);
      }
    }
    placed.stays.forEach((stay, j) => {
      const stage = stages[batch.stages[stay.stage]!]!;
      const before = placed.stays[j - 1];
      if (before && (before.to !== stay.from || before.stage + 1 !== stay.stage)) say(WORDS.hasAGapBefore(stage.name));
      if (before && before.place !== stay.place) cost += weights.move_perTray * batch.trays;
      for (let d = stay.from; d < stay.to; d++) {
        taken[stay.place]![d]! += batch.slots[stay.stage]!;
        heatedBlocks.add(`${stay.place}/${blockOf(d)}`);
        const isForced = batch.pinned !== undefined || (batch.inProgress?.at === stay.stage && placed.out === null);
        if (isForced) forced[stay.place]![d]! += batch.slots[stay.stage]!;
      }
      if (batch.pinned) return;
      const inProgress = batch.inProgress?.at === stay.stage ? batch.inProgress : null;
      if (inProgress && (stay.from !== inProgress.day || stay.place !== inProgress.place))
        say(WORDS.isNotWhereItStands);
      if (!inProgress && stay.from < instance.today) say(WORDS.beginsBeforeToday(stage.name));
      if (!inProgress && !stage.places.includes(stay.place))
        say(WORDS.willNotDoFor(places[stay.place]!.name, stage.name));
      if (placed.out === null) return;
      const fits = (level: LevelSpec, d: number): boolean =>
        level.night_C[d]! >= stage.low_C && level.day_C[d]! <= stage.high_C;
      // From noon of a day to noon of the next at the set-point of that noon: half of each day.
      const gainFrom = (d: number): number => {
        const level = levelOn(stay.place, d);
        const half = (on: number) =>
          fits(level, on) ? stage.gain(level.day_C[on]!, level.night_C[on]!, skyOf(level, on)) / 2 : 0;
        return half(d) + half(Math.min(d + 1, days - 1));
      };
      for (let d = stay.from; d < stay.to; d++) {
        const level = levelOn(stay.place, d);
        const mild = fits(level, d);
        const capped =
          stage.mostSetPoint_C !== null && level.setPoint_C !== null && level.setPoint_C > stage.mostSetPoint_C;
        // Where it stands already is not the plan's doing.
        const given = inProgress !== null && (d < instance.today || placed.kept === true);
        if ((!mild || capped) && !given) say(WORDS.isOutsideItsTemperaturesOn(stage.name, d));
        const { bolt, comfort } = stage;
        if (comfort) {
          const tooCold_K = comfort.low_C > level.night_C[d]! ? comfort.low_C - level.night_C[d]! : 0;
          const tooHot_K = level.day_C[d]! > comfort.high_C ? level.day_C[d]! - comfort.high_C : 0;
          cost += (tooCold_K + tooHot_K) * weights.discomfort_perTrayKelvin * batch.trays * batch.weight;
        }
        if (!bolt) continue;
        const lost = weights.unplaced_perTray * batch.trays * batch.weight;
        const mean = 0.5 * level.day_C[d]! + 0.5 * level.night_C[d]!;
        if (bolt.cold_C !== null && mean < bolt.cold_C) cost += lost * bolt.cold_frac;
        if (bolt.warm_C !== null && bolt.warm_C < level.day_C[d]!) cost += lost * bolt.warm_frac;
      }
      const need = inProgress ? inProgress.need : stage.need;
      const start = stay.from + (inProgress ? 0 : stage.standstill_days);
      const totals = [0];
      for (let d = start; d < stay.to; d++) totals.push(totals.at(-1)! + gainFrom(d));
      // Left on the first day of a block it must have enough even if the heat went off at midnight.
      const gained = (end: number): number => {
        const total = totals[Math.max(0, end - start)]!;
        const { levels } = places[stay.place]!;
        if (levels.length < 2 || end <= start || blockOf(end) === blockOf(end - 1)) return total;
        const last = Math.min(end, days - 1);
        const half = (level: LevelSpec) =>
          fits(level, last) ? stage.gain(level.day_C[last]!, level.night_C[last]!, skyOf(level, last)) / 2 : 0;
        return total - Math.max(0, half(levelOn(stay.place, end - 1)) - half(levels[0]!));
      };
      // What is as its forecast has it has its days by the hour, not by noons.
      if (need > 0 && !placed.kept && gained(stay.to) < need - 1e-6) say(WORDS.isLeftTooSoon(stage.name));
      if (!inProgress && !placed.kept && stay.to - stay.from < Math.max(stage.least_days, stage.standstill_days))
        say(WORDS.isTooShort(stage.name));
      let could = Math.max(start, inProgress ? Math.max(stay.from, instance.today) : stay.from + stage.least_days);
      while (need > 0 && could < stay.to && gained(could) < need - 1e-9) could++;
      if (inProgress) could = Math.max(could + (inProgress.then_days ?? 0), instance.today);
      // Until it could go it stands where it stands, room or not.
      if (inProgress)
        for (let d = stay.from; d < Math.min(could, stay.to); d++) forced[stay.place]![d]! += batch.slots[stay.stage]!;
      const waits = stay.to - could;
      if (!inProgress && stage.fair_days !== undefined && could - stay.from > stage.fair_days)
        cost += (could - stay.from - stage.fair_days) * weights.ageing_perTrayDay * batch.trays;
      const comes = batch.startsOn !== undefined && stay.stage === first;
      if (!inProgress && !comes && !placed.kept && waits > stage.mostWait_days) say(WORDS.waitsDays(stage.name, waits));
      for (let w = 1; w <= waits; w++) {
        cost += weights.wait_perTrayDay * batch.trays * (2 * w > stage.mostWait_days ? 4 : 1);
      }
    });
    if (placed.out !== null) {
      late_trayDays += Math.max(0, placed.out - batch.target - batch.after_days) * batch.trays;
      // The mean over the middles of 39 equal shares of a normal spread, of what is not ready sooner than planned.
      let sum = 0;
      for (let i = 0; i < 39; i++) {
        const later = batch.spread_days ? Math.max(0, batch.spread_days * normalQuantile((i + 0.5) / 39)) : 0;
        const out = placed.out + later;
        const late = out - batch.target - batch.after_days;
        const early = batch.target - batch.before_days - out;
        if (late > 0) sum += late * weights.late_perTrayDay * batch.trays * batch.weight;
        else if (early > 0) sum += early * weights.early_perTrayDay * batch.trays;
        else sum += 0.01 * batch.trays * Math.abs(out - batch.target);
      }
      cost += sum / 39;
    }
    if (batch.work_min && instance.hands_min) {
      for (const stay of placed.stays)
        if (batch.inProgress?.at !== stay.stage) work_min[blockOf(stay.from)]! += batch.work_min[stay.stage]!;
      const last = placed.stays.at(-1);
      if (last) {
        // Carried on as far as it goes: what has no next stage is planted out, or stands there to be looked at.
        work_min[blockOf(last.to)]! += batch.work_min[last.stage + 1]!;
      }
    }
  });

  let over_slotDays = 0;
  places.forEach((place, p) => {
    for (let d = 0; d < days; d++) {
      const closed = place.closed.some(([from, to]) => d >= from && d < to);
      const over = taken[p]![d]! - (closed ? 0 : place.room_slots);
      if (over <= 1e-6) continue;
      over_slotDays += over;
      if (taken[p]![d]! > forced[p]![d]! + 1e-6) faults.push(WORDS.isOverRoomOnDay(place.name, d));
    }
  });

  instance.hands_min?.forEach((hands, b) => {
    if (work_min[b]! > hands) cost += ((work_min[b]! - hands) / 60) * weights.overtime_perHour;
  });

  let heat_kWh = 0;
  let night_kWh = 0;
  places.forEach((place, p) => {
    const row = solution.rows[p]!;
    for (let b = 0; b < instance.frozenBlocks; b++) {
      if (row[b] !== place.row[b]) faults.push(WORDS.theSetPointOfWeek(place.name, b));
    }
    for (let d = 0; d < days; d++) {
      if (!heatedBlocks.has(`${p}/${blockOf(d)}`)) continue;
      const level = levelOn(p, d);
      heat_kWh += level.heat_kWh[d]!;
      night_kWh += level.heatNight_kWh ? level.heatNight_kWh[d]! : level.heat_kWh[d]! / 2;
    }
    for (let b = 1; b <= blockOf(days); b++) {
      const both = heatedBlocks.has(`${p}/${b}`) && heatedBlocks.has(`${p}/${b - 1}`);
      if (both && row[b] !== row[b - 1]) cost += weights.setPointChange;
    }
  });
  const night = weights.heatNight_factor ?? 1;
  cost += weights.heat_perkWh * (night * night_kWh + (2 - night) * (heat_kWh - night_kWh));
  return { faults, cost, heat_kWh, late_trayDays, unplaced, over_slotDays };
}

function skyOf({ sky }: LevelSpec, d: number): DaySky | undefined {
  if (!sky) return undefined;
  const { hours_C, light_mol_m2, wet_K = 0 } = sky;
  return { hours_C: Array.from(hours_C.slice(24 * d, 24 * d + 24)), light_mol_m2: light_mol_m2[d]!, wet_K };
}
