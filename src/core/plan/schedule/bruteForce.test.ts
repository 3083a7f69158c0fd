import { describe, expect, it } from 'vitest';
import { crops, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { daysToEmerge, germinationRate } from '../../germination/germinationRate.ts';
import { ALL_UP_PROGRESS } from '../../germination/spread.ts';
import { stageSums } from '../../growth/stageSums.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Place } from '../../books/place.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, noonOf } from './chain.ts';
import { placeClimate } from './placeClimate.ts';
import { seasonTables } from './seasonTables.ts';

/**
 * A second way to the sowing day, slow and obvious: for each day walk a batch forward hour by hour through the places and
 * see when it is ready; take the last that is ready on the day hardening must begin. Shares nothing with
 * the running totals but the rates.
 */
const FROM = requireDay('2026-06-01');
const DAYS = 500;
const periods = (from: string, day_C: number, night_C: number) => ({ from, day_C, night_C });
const hot = steadyPlace(24, 22);
const house: Place = {
  ...steadyPlace(18, 12),
  periods: [
    periods('01-01', 15, 9),
    periods('03-01', 18, 11),
    periods('04-15', 21, 14),
    periods('06-01', 24, 16),
    periods('10-01', 16, 10),
  ],
};
const climates = new Map([hot, house].map((place) => [place.id, placeClimate(place, FROM, DAYS)]));

function hourAt(place: Place, hour: number): { day_C: number; night_C: number; now_C: number } {
  const climate = climates.get(place.id)!;
  const i = Math.floor(hour / 24);
  const ofDay = hour % 24;
  const [day_C, night_C] = [climate.day_C[i]!, climate.night_C[i]!];
  return { day_C, night_C, now_C: ofDay >= 6 && ofDay < 18 ? day_C : night_C };
}

function readyHour(crop: Crop, sowDay: number, offHeat: OffHeatRule): number | null {
  const rate = germinationRate(crop);
  const sums = stageSums(crop, crop.potted);
  const { base_C: b, growOptimum_C: o, growCeiling_C: c } = crop;
  // Degree-days to the optimum, then Yan and Hunt's beta function to the ceiling.
  const at = (t: number) =>
    t <= b || t >= c ? 0 : t <= o ? t - b : (o - b) * ((c - t) / (c - o)) * ((t - b) / (o - b)) ** ((o - b) / (c - o));
  const grow = ({ day_C, night_C }: { day_C: number; night_C: number }) => (at(day_C) + at(night_C)) / 2 / 24;
  let hour = (sowDay - FROM) * 24 + 12;
  const last = DAYS * 24;
  let germination = 0;
  let growth = 0;
  let halfAt: number | null = null;
  for (; hour < last; hour++) {
    const at = hourAt(hot, hour);
    // Until day length is known a day's progress is spread evenly over its hours.
    germination += (rate(at.day_C) + rate(at.night_C)) / 2 / 24;
    if (halfAt === null && germination >= 1) halfAt = hour;
    if (halfAt === null) continue;
    const off =
      offHeat.kind === 'half-up' ||
      (offHeat.kind === 'all-up' && germination >= ALL_UP_PROGRESS) ||
      // The standard normal quantile of 0.75 is 0.67449 (any printed table).
      (offHeat.kind === 'share' && germination >= Math.exp(0.2 * 0.67449)) ||
      (offHeat.kind === 'days-after' && hour - halfAt >= offHeat.days * 24);
    if (off) break;
    growth += grow(at);
  }
  const pot = sums.pot_degreeDays;
  let potted = pot === null;
  let rest = 0;
  for (; hour < last; hour++) {
    // What it grew on the heat beyond its potting size it grew in a full cell: half of it counts.
    if (pot !== null && !potted && growth >= pot) {
      potted = true;
      growth = pot + Math.min((growth - pot) / 2, (sums.ready_degreeDays - pot) / 2);
      rest = 48;
    }
    if (rest > 0) {
      rest--;
      continue;
    }
    growth += grow(hourAt(house, hour));
    if (growth >= sums.ready_degreeDays) return hour;
  }
  return null;
}

describe('backward against walking every day forward by the hour', () => {
  const tables = seasonTables([hot, house], FROM, DAYS);
  const rules: OffHeatRule[] = [
    { kind: 'half-up' },
    { kind: 'all-up' },
    { kind: 'days-after', days: 4 },
    { kind: 'share', share_frac: 0.75 },
  ];
  it.each(rules.map((rule) => [rule.kind, rule] as const))(
    'finds the same sowing day, give or take one: %s',
    (_, offHeat) => {
      let compared = 0;
      for (const crop of crops) {
        if (daysToEmerge(germinationRate(crop), 24) === null || daysToEmerge(germinationRate(crop), 22) === null)
          continue;
        const plan: BatchPlan = {
          plantsWanted: 10,
          spare_frac: 0,
          transplantOn: requireDay('2027-06-05'),
          hardening_days: crop.hardening_days,
          places: { germinate: hot.id, grow: house.id, pot: house.id, harden: house.id },
          sowContainerId: 1,
          potContainerId: crop.potted ? 2 : null,
        };
        const chain = backwardChain({ crop, plan, offHeat, tables });
        const dueHour = (noonOf(plan.transplantOn) - plan.hardening_days - FROM) * 24;
        const wanted = chain.kind === 'chain' ? milestoneOf(chain, 'sow')!.day : null;
        expect(wanted, crop.name).not.toBeNull();
        let last = -Infinity;
        for (let day = wanted! - 6; day <= wanted! + 6; day++) {
          const ready = readyHour(crop, day, offHeat);
          if (ready !== null && ready < dueHour + 12) last = day;
        }
        expect(Math.abs(last - wanted!), `${crop.name}, ${offHeat.kind}`).toBeLessThanOrEqual(1);
        compared++;
      }
      expect(compared).toBeGreaterThan(30);
    },
  );
});
