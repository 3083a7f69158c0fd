import { dayFromCivil, type DayNumber } from '../../src/core/calendar/dayNumber.ts';
import { mondayOf } from '../../src/core/calendar/week.ts';
import type { BatchPlan } from '../../src/core/plan/batchPlan.ts';
import type { Crop } from '../../src/core/books/crop.ts';
import type { OffHeatRule } from '../../src/core/germination/offHeatRule.ts';
import type { Place } from '../../src/core/books/place.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { backwardChain } from '../../src/core/plan/schedule/backward.ts';
import { milestoneOf, startOf } from '../../src/core/plan/schedule/chain.ts';
import { forwardChain } from '../../src/core/plan/schedule/forward.ts';
import type { MonthNormal } from '../../src/core/plan/schedule/outsideClimate.ts';
import { seasonTables } from '../../src/core/plan/schedule/seasonTables.ts';

/** A made-up chain: a crop, a site of either hemisphere, places with weekly set-points, a date of any year, leap years among them. */
export interface RandomChain {
  readonly crop: Crop;
  readonly plan: BatchPlan;
  readonly offHeat: OffHeatRule;
  readonly places: readonly Place[];
  readonly normals: readonly MonthNormal[];
  readonly from: DayNumber;
}

const DAYS = 4 * 366;

export function randomChain(seed: number, crops: readonly Crop[]): RandomChain {
  const random = seededRandom(seed);
  const between = (low: number, high: number): number => low + (high - low) * random();
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const south = random() < 0.5;
  const mean = between(6, 17);
  const swing = between(4, 12);
  const normals = Array.from({ length: 12 }, (_, month): MonthNormal => {
    const season = -Math.cos((2 * Math.PI * (month - 0.5)) / 12) * (south ? -1 : 1);
    const day_C = mean + 4 + swing * season;
    return { day_C, night_C: day_C - between(6, 10) };
  });
  const year = 2023 + Math.floor(random() * 6);
  const from = dayFromCivil(year - 1, 1, 1);
  const weekly = (levels: readonly number[]) =>
    Array.from({ length: 60 }, (_, week) => ({
      week: mondayOf(from + 200) + 7 * week,
      setPoint_C: random() < 0.2 ? null : one(levels),
    })).filter(() => random() < 0.4);
  const heated = (id: number, kind: Place['kind'], levels: number[], usual_C: number | null): Place => ({
    id,
    name: `Place ${id}`,
    kind,
    lit: kind !== 'dark-chamber',
    room_trays: 100,
    walkOrder: id,
    periods: [],
    temperature: {
      kind: 'set-point',
      levels_C: levels,
      usual_C,
      nightDrop_K: between(0, 6),
      unheatedPlus_K: between(2, 6),
      loss_W_per_K: 10,
    },
    setPoints: weekly(levels),
  });
  const follows = (id: number, kind: Place['kind'], plusDay_K: number, plusNight_K: number): Place => ({
    id,
    name: `Place ${id}`,
    kind,
    lit: true,
    room_trays: 100,
    walkOrder: id,
    periods: [],
    temperature: { kind: 'outside', plusDay_K, plusNight_K },
  });
  const places = [
    heated(1, 'lit-chamber', [20, 22, 24, 26], one([20, 22, 24])),
    heated(2, 'bench', [10, 14, 18, 20], one([14, 18, null])),
    follows(3, 'house', between(3, 8), between(1, 4)),
    follows(4, 'frame', between(1, 5), between(0, 3)),
  ];
  const crop = one(crops);
  const grow = one([1, 2, 2, 3]);
  const pot = one([2, 3, 3, 4]);
  const rule = one<OffHeatRule>([
    { kind: 'half-up' },
    { kind: 'all-up' },
    { kind: 'share', share_frac: between(0.5, 0.95) },
    { kind: 'days-after', days: Math.floor(between(0, 15)) },
  ]);
  return {
    crop,
    offHeat: rule,
    places,
    normals,
    from,
    plan: {
      plantsWanted: 50,
      spare_frac: 0.2,
      transplantOn: dayFromCivil(year, 1, 1) + Math.floor(random() * 366),
      hardening_days: crop.hardening_days,
      places: { germinate: one([1, 1, 2]), grow, pot, space: random() < 0.3 ? 4 : pot, harden: 4 },
      sowContainerId: 1,
      potContainerId: crop.potted ? 2 : null,
      ...(random() < 0.3 ? { age_frac: between(0.7, 1.3) } : {}),
    },
  };
}

export interface ChainTried {
  readonly crop: string;
  /** Days the batch sown on the planned day goes out from the day asked for. */
  readonly apart_days: number;
  /** Whether a batch sown a day later would be late: the planned day is the last. */
  readonly last: boolean;
  /** Days a planned milestone and the forecast's differ, the most. */
  readonly milestones_days: number;
}

/** Plans a chain back and walks it forward from its sowing day; null where no plan is to be had. */
export function tryChain(chain: RandomChain): ChainTried | null {
  const { crop, plan, offHeat, places, normals, from } = chain;
  const tables = seasonTables(places, from, DAYS, { normals });
  const input = { crop, plan, offHeat, tables };
  const back = backwardChain(input);
  if (back.kind !== 'chain') return null;
  const sowOn = startOf(back).day;
  const forward = (day: DayNumber, waitForDate: boolean) =>
    forwardChain({ ...input, sowOn: day, facts: {}, today: null, waitForDate });
  const forth = forward(sowOn, true);
  if (forth.kind !== 'chain') return { crop: crop.name, apart_days: Infinity, last: false, milestones_days: Infinity };
  const next = forward(sowOn + 1, true);
  return {
    crop: crop.name,
    apart_days: Math.abs(milestoneOf(forth, 'plant')!.day - plan.transplantOn),
    last: next.kind !== 'chain' || milestoneOf(next, 'plant')!.day > plan.transplantOn,
    milestones_days: Math.max(
      ...back.milestones.map((m) => Math.abs((milestoneOf(forth, m.key)?.t ?? Infinity) - m.t)),
    ),
  };
}
