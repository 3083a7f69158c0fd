import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import type { Explanation } from '../../explanation.ts';
import { degreeDaysOfHours, lightFactor } from '../../growth/growthRate.ts';
import { stageSums } from '../../growth/stageSums.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place } from '../../books/place.ts';
import type { BatchPlan } from '../batchPlan.ts';
import { backwardChain } from './backward.ts';
import { milestoneOf, type Chain, type MilestoneKey } from './chain.ts';
import { forwardChain, type ForwardInput } from './forward.ts';
import { seasonTables, type TablesBy } from './seasonTables.ts';

const FROM = requireDay('2026-09-01');
const out = requireDay('2027-06-08');
const tomato = cropNamed('tomato');
const warm = { ...steadyPlace(24, 20), name: 'Chamber' };
const bench = { ...steadyPlace(21, 16), name: 'Bench' };
const bay = { ...steadyPlace(19, 14), name: 'Bay' };
const frame = { ...steadyPlace(16, 9, 'frame'), name: 'Frame' };
const planOf = (more: Partial<BatchPlan> = {}): BatchPlan => ({
  plantsWanted: 50,
  spare_frac: 0.1,
  transplantOn: out,
  hardening_days: 8,
  places: { germinate: warm.id, grow: bench.id, pot: bay.id, harden: frame.id },
  sowContainerId: 1,
  potContainerId: 2,
  ...more,
});
interface Asked {
  readonly crop?: Crop;
  readonly plan?: BatchPlan;
  readonly places?: readonly Place[];
  readonly by?: TablesBy;
  readonly forward?: Partial<ForwardInput>;
}
function chainOf({ crop = tomato, plan = planOf(), places = [], by, forward }: Asked = {}): Chain {
  const tables = seasonTables([warm, bench, bay, frame, ...places], FROM, 500, by);
  const input = { crop, plan, offHeat: { kind: 'half-up' } as const, tables };
  const start = { sowOn: out - 60, facts: {}, today: null, waitForDate: true };
  const chain = forward ? forwardChain({ ...input, ...start, ...forward }) : backwardChain(input);
  if (chain.kind !== 'chain') throw new Error(chain.reason);
  return chain;
}
const why = (key: MilestoneKey, of: Asked = {}): Explanation => milestoneOf(chainOf(of), key)!.explanation;
const input = (explanation: Explanation, name: string) => explanation.inputs.find((one) => one.name === name);

describe('the figures behind a date', () => {
  it('temperatures are those of the place of the stage, by day and by night', () => {
    const places = (key: MilestoneKey) =>
      why(key)
        .inputs.filter(({ name }) => / by (day|night)$/.test(name))
        .map(({ name, temperature_C }) => [name, temperature_C]);
    const of = (name: string, day: number, night: number) => [
      [`${name} by day`, day],
      [`${name} by night`, night],
    ];
    expect(places('sow')).toEqual(of('Chamber', 24, 20));
    expect(places('first-up')).toEqual(of('Chamber', 24, 20));
    expect(places('half-up')).toEqual(of('Chamber', 24, 20));
    expect(places('pot')).toEqual(of('Bench', 21, 16));
    expect(places('space')).toEqual(of('Bay', 19, 14));
    expect(places('harden')).toEqual(of('Bay', 19, 14));
    const cells = why('harden', { plan: planOf({ potContainerId: null }) });
    expect(input(cells, 'Bench by day')?.temperature_C).toBe(21);
    const apart = planOf({ places: { ...planOf().places, space: bench.id } });
    expect(input(why('harden', { plan: apart }), 'Bench by day')?.temperature_C).toBe(21);
  });

  it('degree-days are the crop’s sums, and what one day adds there', () => {
    const sums = stageSums(tomato, true);
    const day = degreeDaysOfHours(
      tomato,
      Float64Array.from({ length: 24 }, (_, h) => (h >= 6 && h < 18 ? 21 : 16)),
    );
    expect(input(why('pot'), 'from half up')!.degreeDays).toBeCloseTo(sums.pot_degreeDays!, 9);
    expect(input(why('space'), 'from half up')!.degreeDays).toBeCloseTo(sums.space_degreeDays!, 9);
    expect(input(why('harden'), 'from half up')!.degreeDays).toBeCloseTo(sums.ready_degreeDays, 9);
    expect(input(why('pot'), 'base')!.temperature_C).toBe(tomato.base_C);
    expect(input(why('pot'), 'a day adds')!.degreeDays).toBeCloseTo(day, 6);
    expect(why('pot').rule).toContain(`${Math.round(100 * tomato.potAt_frac)}% of its growth`);
    expect(input(why('harden'), 'hardening')!.value).toBe('8 days');
    expect(input(why('plant'), 'asked for')!.date).toBe('2027-06-08');
    expect(input(why('sow'), 'transplant date')!.date).toBe('2027-06-08');
  });

  it('what the house learned is told where it learned, more or less', () => {
    const grown = (growth_factor: number) =>
      input(why('pot', { plan: planOf({ growth_factor }) }), 'learned from your batches')?.value;
    expect(grown(1)).toBeUndefined();
    expect(grown(1.08)).toBe('8% more growth than the book');
    expect(grown(0.9)).toBe('10% less growth than the book');
    const own = (emergence_factor: number) =>
      input(why('half-up', { plan: planOf({ emergence_factor }) }), 'own variety and lot, by your counts')?.value;
    expect(own(1)).toBeUndefined();
    expect(own(1.25)).toBe('1.25 x the time');
  });

  it('light and what it makes of growth, where the sky is known; nothing of it where it is not', () => {
    expect(input(why('pot'), 'light')).toBeUndefined();
    const lit: Place = {
      ...bench,
      light: { through_frac: 0, secondFilm: false, shade_frac: 0, lamps_h: 10, lamps_umol_m2_s: 200 },
    };
    const by: TablesBy = { normals: DEMO_OUTSIDE, sky: { latitude_deg: 52 } };
    const told = why('pot', { places: [lit], by });
    expect(input(told, 'light')!.value).toBe(`7.2 of ${tomato.dliGood} mol/m² a day`);
    expect(input(told, 'growth by light')!.value).toBe(
      `${Math.round(100 * lightFactor(7.2, tomato.dliGood))}% of what warmth alone gives`,
    );
  });

  it('a wet tray in a place nothing heats is cooler than the air; one in a chamber is not said to be', () => {
    expect(input(why('half-up'), 'a wet tray, cooler than the air by')).toBeUndefined();
    const open: Place = {
      ...steadyPlace(20, 20, 'frame'),
      temperature: { kind: 'outside', plusDay_K: 12, plusNight_K: 12 },
    } as Place;
    const by: TablesBy = { normals: DEMO_OUTSIDE, sky: null };
    const plan = planOf({ places: { ...planOf().places, germinate: open.id } });
    expect(
      input(why('half-up', { places: [open], by, plan }), 'a wet tray, cooler than the air by')!.difference_K,
    ).toBe(2);
  });
});

describe('the rule of a date', () => {
  it('off the heat: whose rule it is, the batch’s before its group’s before the house’s', () => {
    expect(why('off-heat').rule).toMatch(/^House rule: off the heat and into the light/);
    const days = { kind: 'days-after', days: 3 } as const;
    const cool = { ...tomato, offHeat: days };
    expect(why('off-heat', { crop: cool }).rule).toBe(
      `Rule for ${tomato.group} crops: off the heat 3 days after half up.`,
    );
    const own = planOf({ offHeat: { kind: 'all-up' } });
    expect(why('off-heat', { crop: cool, plan: own }).rule).toMatch(/^Rule of this batch: .*90%/);
  });

  it('logged, planned for a day, or past without a log', () => {
    const sowOn = out - 60;
    const forward = { sowOn, facts: { sow: sowOn }, today: sowOn + 20 };
    expect(why('sow', { forward })).toMatchObject({ rule: 'Logged.', inputs: [], source: 'your own log' });
    expect(why('half-up', { forward }).rule).toMatch(
      /adds up to 1\. That day has passed without a log, so today is taken\.$/,
    );
    const plan = planOf({ steps: { pot: out - 25 } });
    const told = why('pot', { plan, forward });
    expect(told.rule).toMatch(/Planned for this day or as soon after as it is ready\.$/);
    expect(input(told, 'planned day')!.date).toBe('2027-05-14');
    // A planned day that has passed without a log is no more the reason.
    const up = { sow: sowOn, 'half-up': sowOn + 6, 'off-heat': sowOn + 7 };
    const late = why('pot', { plan, forward: { ...forward, facts: up, today: out - 10 } });
    expect(late.rule).toMatch(/has passed without a log/);
    expect(input(late, 'planned day')).toBeUndefined();
  });

  it('plugs come on the day they are ordered for', () => {
    const joins = { on: out - 40, stage: 'grow', weeks: 3 } as unknown as NonNullable<BatchPlan['joins']>;
    const told = why('arrive', { plan: planOf({ joins }), forward: { sowOn: out - 40 } });
    expect(told.rule).toMatch(/^Bought in as plugs/);
    expect(input(told, 'ordered for')!.date).toBe('2027-04-29');
  });

  it('coming up by a table names it, by cardinal temperatures says so', () => {
    expect(tomato.emergence.length).toBeGreaterThan(0);
    expect(why('half-up').source).toBe(tomato.source);
    expect(why('half-up', { crop: { ...tomato, emergence: [] } }).source).toBe(
      `cardinal temperatures: ${tomato.source}`,
    );
  });
});
