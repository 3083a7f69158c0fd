import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { BatchPlan } from '../batchPlan.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, startOf } from './chain.ts';
import { forwardChain } from './forward.ts';
import type { RouteInput } from './route.ts';
import { seasonTables } from './seasonTables.ts';

const FROM = requireDay('2026-09-01');
const DAYS = 330;
const hot = steadyPlace(25, 23);
const cold = steadyPlace(3, 2);
/** Warms through the spring in steps, so that a day later is not always a day later. */
const house = {
  ...steadyPlace(18, 12),
  periods: [
    { from: '09-01', day_C: 20, night_C: 13 },
    { from: '11-01', day_C: 13, night_C: 8 },
    { from: '02-15', day_C: 16, night_C: 9 },
    { from: '04-01', day_C: 20, night_C: 12 },
    { from: '05-10', day_C: 25, night_C: 16 },
  ],
};
const tables = seasonTables([hot, cold, house], FROM, DAYS);
const out = requireDay('2027-05-24');

function inputOf(crop: string, offHeat: OffHeatRule, more: Partial<BatchPlan> = {}): RouteInput {
  const of = cropNamed(crop);
  const plan: BatchPlan = {
    plantsWanted: 40,
    spare_frac: 0.1,
    transplantOn: out,
    hardening_days: 8,
    places: { germinate: hot.id, grow: house.id, pot: house.id, harden: house.id },
    sowContainerId: 1,
    potContainerId: of.potted ? 2 : null,
    ...more,
  };
  return { crop: of, plan, offHeat, tables };
}
/** The day plants sown on a day are ready, forward and freely. */
function readyOn(input: RouteInput, sowOn: number): number {
  const chain = forwardChain({ ...input, sowOn, facts: {}, today: null, waitForDate: false });
  return chain.kind === 'chain' ? Math.floor(chain.ready_t) : Infinity;
}
/** By trying every day there is. */
function lastByTrying(input: RouteInput): number | null {
  const due = input.plan.transplantOn - input.plan.hardening_days;
  let last: number | null = null;
  for (let day = FROM; day <= due; day++) if (readyOn(input, day) <= due) last = day;
  return last;
}

const RULES: readonly OffHeatRule[] = [
  { kind: 'half-up' },
  { kind: 'all-up' },
  { kind: 'days-after', days: 6 },
  { kind: 'share', share_frac: 0.75 },
];

describe('the last sowing that is in time', () => {
  it.each(
    ['tomato', 'lettuce', 'leek', 'pepper', 'courgette', 'celery', 'cabbage'].flatMap((crop) =>
      RULES.map((rule) => [crop, rule.kind, rule] as const),
    ),
  )('%s, off the heat %s: the one that trying every day finds', (crop, _, rule) => {
    for (const transplantOn of [out, requireDay('2027-04-28'), requireDay('2027-06-20')]) {
      const input = inputOf(crop, rule, { transplantOn });
      const chain = backwardChain(input);
      const last = lastByTrying(input);
      if (last === null) expect(chain.kind).toBe('unreachable');
      else expect(chain.kind === 'chain' && startOf(chain).day).toBe(last);
    }
  });

  it('its chain waits for the date: hardening on its day and out on the day asked for', () => {
    const chain = backwardChain(inputOf('lettuce', RULES[0]!, { hardening_days: 5 }));
    if (chain.kind !== 'chain') throw new Error(chain.reason);
    expect(milestoneOf(chain, 'harden')!.day).toBe(out - 5);
    expect(milestoneOf(chain, 'plant')!.day).toBe(out);
    expect(chain.milestones.every(({ status }) => status === 'planned')).toBe(true);
  });

  it('says what is in the way: no place, too cold to come up, too cold to grow', () => {
    const wayOf = (more: Partial<BatchPlan>) => {
      const chain = backwardChain(inputOf('tomato', RULES[0]!, more));
      return chain.kind === 'chain' ? null : [chain.stage, chain.placeId];
    };
    const places = { germinate: hot.id, grow: house.id, pot: house.id, harden: house.id };
    expect(wayOf({})).toBeNull();
    expect(wayOf({ places: { ...places, grow: null } })).toEqual(['grow', null]);
    expect(wayOf({ places: { ...places, germinate: cold.id } })).toEqual(['germinate', cold.id]);
    expect(wayOf({ places: { ...places, grow: cold.id } })).toEqual(['grow', cold.id]);
    expect(wayOf({ places: { ...places, pot: cold.id } })).toEqual(['pot', cold.id]);
    // Warm enough, but the days the tables hold before the date are too few.
    expect(wayOf({ transplantOn: FROM + 30 })![0]).toBe('grow');
  });

  it('a date outside the days worked out is told as such, to the day', () => {
    const wayOf = (transplantOn: number, hardening_days = 8) => {
      const chain = backwardChain(inputOf('lettuce', RULES[0]!, { transplantOn, hardening_days }));
      return chain.kind === 'chain' ? null : chain.reason;
    };
    const outside = /outside the seasons/;
    expect(wayOf(FROM + DAYS)).toMatch(outside);
    expect(wayOf(FROM + DAYS - 1)).toBeNull();
    expect(wayOf(FROM + 8)).toMatch(outside);
    expect(wayOf(FROM + 9)).not.toMatch(outside);
    expect(wayOf(FROM + 8, 7)).not.toMatch(outside);
  });
});
