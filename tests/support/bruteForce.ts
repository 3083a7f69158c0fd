import stdNormalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import type { BatchSpec, Instance } from '../../src/core/plan/placement/instance.ts';

interface Way {
  readonly price: number;
  /** Place and day of every day it stands somewhere, with its slots. */
  readonly cells: readonly (readonly [place: number, day: number, slots: number])[];
}

/**
 * The least cost of a tiny instance by trying every set-point of every week and every way of every batch, straight from
 * docs/INSTANCES.md: no pinned batches, none under way, no work, every batch of weight 1. Weeks are days of 7 from day 0.
 * @param known a cost that can be had: only what is cheaper is looked for
 */
export function leastCostByTrying(instance: Instance, known = Infinity): number {
  const weeks = Math.ceil(instance.days / 7);
  const settable = instance.places.flatMap((place, p) =>
    place.levels.length > 1 ? Array.from({ length: weeks }, (_, w) => ({ p, w, levels: place.levels.length })) : [],
  );
  const rows = instance.places.map(() => new Array<number>(weeks).fill(0));
  let best = known;
  const setNext = (i: number): void => {
    if (i === settable.length) {
      best = Math.min(best, cheapestFor(instance, rows, best));
      return;
    }
    const { p, w, levels } = settable[i]!;
    for (let l = 0; l < levels; l++) {
      rows[p]![w] = l;
      setNext(i + 1);
    }
  };
  setNext(0);
  return best;
}

function cheapestFor(instance: Instance, rows: readonly number[][], known: number): number {
  const { batches, places, days, weights } = instance;
  const leftOut = batches.map((b) => weights.unplaced_perTray * b.trays * b.weight);
  const ways = batches.map((batch, i) => waysOf(instance, batch, rows, Math.min(leftOut[i]!, known)));
  const rest = batches.map((_, i) =>
    ways.slice(i).reduce((sum, list, j) => sum + Math.min(leftOut[i + j]!, list[0]?.price ?? Infinity), 0),
  );
  const taken = places.map(() => new Float64Array(days));
  let best = known;
  const next = (i: number, price: number): void => {
    // What is heated already stays heated, whoever else comes.
    if (price + (rest[i] ?? 0) >= best) return;
    const heat = heatOf(instance, rows, taken);
    if (price + heat + (rest[i] ?? 0) >= best) return;
    if (i === batches.length) {
      best = price + heat;
      return;
    }
    for (const way of ways[i]!) {
      if (price + heat + way.price + (rest[i + 1] ?? 0) >= best) break;
      if (way.cells.some(([p, d, slots]) => taken[p]![d]! + slots > places[p]!.room_slots + 1e-9)) continue;
      for (const [p, d, slots] of way.cells) taken[p]![d]! += slots;
      next(i + 1, price + way.price);
      for (const [p, d, slots] of way.cells) taken[p]![d]! -= slots;
    }
    next(i + 1, price + leftOut[i]!);
  };
  next(0, 0);
  return best;
}

function heatOf(
  { places, weights, days }: Instance,
  rows: readonly number[][],
  taken: readonly Float64Array[],
): number {
  let cost = 0;
  places.forEach((place, p) => {
    const used = rows[p]!.map((_, w) => taken[p]!.slice(7 * w, 7 * w + 7).some((slots) => slots > 1e-9));
    rows[p]!.forEach((level, w) => {
      if (!used[w]) return;
      for (let d = 7 * w; d < Math.min(days, 7 * w + 7); d++)
        cost += weights.heat_perkWh * place.levels[level]!.heat_kWh[d]!;
      if (used[w - 1] && rows[p]![w - 1] !== level) cost += weights.setPointChange;
    });
  });
  return cost;
}

/** Every way of a batch at these set-points that costs less than `most`, cheapest first. */
function waysOf(instance: Instance, batch: BatchSpec, rows: readonly number[][], most: number): Way[] {
  const { weights, stages } = instance;
  const found: Way[] = [];
  const goOn = (k: number, d: number, from: number, price: number, cells: Way['cells']): void => {
    if (price >= most) return;
    if (k === batch.stages.length) {
      const late = d - batch.target - batch.after_days;
      const early = batch.target - batch.before_days - d;
      const out =
        price +
        (late > weights.mostLate_days || early > weights.mostEarly_days ? Infinity : outCost(instance, batch, d));
      if (out < most) found.push({ price: out, cells });
      return;
    }
    for (const p of stages[batch.stages[k]!]!.places) {
      const move = from >= 0 && from !== p ? weights.move_perTray * batch.trays : 0;
      for (const { to, perTray } of staysOf(instance, batch.stages[k]!, p, rows[p]!, d)) {
        if (to > batch.target + batch.after_days + weights.mostLate_days) break;
        const stay = Array.from({ length: to - d }, (_, i) => [p, d + i, batch.slots[k]!] as const);
        goOn(k + 1, to, p, price + move + perTray * batch.trays, [...cells, ...stay]);
      }
    }
  };
  for (let d = 0; d < instance.days; d++) goOn(0, d, -1, 0, []);
  return found.sort((a, b) => a.price - b.price);
}

const known = new WeakMap<Instance, Map<string, { to: number; perTray: number }[]>>();

/** Days on which a stage entered on a day in a place may be left, with what that costs each tray. Worked out once for a row. */
function staysOf(
  instance: Instance,
  index: number,
  p: number,
  row: readonly number[],
  d: number,
): readonly { to: number; perTray: number }[] {
  const key = `${index}/${p}/${d}/${row.join()}`;
  const memo = known.get(instance) ?? new Map<string, { to: number; perTray: number }[]>();
  known.set(instance, memo);
  let stays = memo.get(key);
  if (stays) return stays;
  memo.set(key, (stays = []));
  const { weights, days, places, stages } = instance;
  const stage = stages[index]!;
  let gained = 0;
  let toll = 0;
  let could: number | null = null;
  for (let e = d + 1; e < days; e++) {
    const on = e - 1;
    const level = places[p]!.levels[row[Math.floor(on / 7)]!]!;
    const fits = (i: number) => level.night_C[i]! >= stage.low_C && level.day_C[i]! <= stage.high_C;
    if (!fits(on)) break;
    const half = (i: number) => (fits(i) ? stage.gain(level.day_C[i]!, level.night_C[i]!) / 2 : 0);
    gained += half(on) + half(Math.min(days - 1, e));
    const { comfort } = stage;
    if (comfort)
      toll += Math.max(0, comfort.low_C - level.night_C[on]!) + Math.max(0, level.day_C[on]! - comfort.high_C);
    // Left on a Monday it must have enough even if the heat went off at midnight.
    const other = places[p]!.levels[0]!;
    const cold = (i: number) =>
      other.night_C[i]! >= stage.low_C && other.day_C[i]! <= stage.high_C
        ? stage.gain(other.day_C[i]!, other.night_C[i]!) / 2
        : 0;
    const last = Math.min(days - 1, e);
    const less = e % 7 === 0 && places[p]!.levels.length > 1 ? Math.max(0, half(last) - cold(last)) : 0;
    if (gained - less < stage.need - 1e-9) continue;
    could ??= e;
    const waits = e - could;
    if (waits > stage.mostWait_days) break;
    let perTray = toll * weights.discomfort_perTrayKelvin;
    for (let w = 1; w <= waits; w++) perTray += weights.wait_perTrayDay * (2 * w > stage.mostWait_days ? 4 : 1);
    perTray += weights.ageing_perTrayDay * Math.max(0, could - d - (stage.fair_days ?? Infinity));
    stays.push({ to: e, perTray });
  }
  return stays;
}

/** Mean over the middles of 39 equal shares of a normal spread; what is ready sooner waits for its day. */
function outCost({ weights }: Instance, batch: BatchSpec, day: number): number {
  const { target, before_days, after_days, trays, weight, spread_days = 0 } = batch;
  let sum = 0;
  for (let i = 0; i < 39; i++) {
    const out = day + spread_days * Math.max(0, stdNormalQuantile((i + 0.5) / 39, 0, 1));
    if (out > target + after_days) sum += weights.late_perTrayDay * trays * weight * (out - target - after_days);
    else if (out < target - before_days) sum += weights.early_perTrayDay * trays * (target - before_days - out);
    else sum += 0.01 * trays * Math.abs(out - target);
  }
  return sum / 39;
}
