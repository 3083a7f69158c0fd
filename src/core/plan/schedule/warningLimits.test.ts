import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { bandsOf } from '../../growth/bands.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place } from '../../books/place.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Chain, MilestoneKey } from './chain.ts';
import { seasonTables, type TablesBy } from './seasonTables.ts';
import { boltDays, chainWarnings, stageSpans, type FrostRisk, type Warning } from './warnings.ts';

const FROM = requireDay('2026-09-01');
const DAYS = 500;
const NORTH: FrostRisk = { lastFrost: '05-10', firstFrost: '10-15' };
const tomato = cropNamed('tomato');
/** Steps of a batch, days after sowing. */
const STEPS = { sow: 0, 'half-up': 7, 'off-heat': 8, pot: 22, space: 34, harden: 50, plant: 58 } as const;
const sowOn = requireDay('2027-04-13');
const out = sowOn + STEPS.plant;

function chainOf(
  days: Partial<Record<MilestoneKey, number | null>> = {},
  more: Partial<Chain> = {},
  from = sowOn,
  status: 'planned' | 'done' = 'planned',
): Chain {
  const all = { ...STEPS, ...days } as Record<string, number | null>;
  const order: MilestoneKey[] = ['arrive', 'sow', 'half-up', 'off-heat', 'pot', 'space', 'harden', 'plant'];
  const milestones = order
    .filter((key) => all[key] !== undefined && all[key] !== null)
    .map((key) => {
      const day = from + all[key]!;
      const explanation = { rule: '', inputs: [], source: '' };
      return { key, t: day + 0.5, day, dueOn: day, status, explanation };
    });
  return { kind: 'chain', milestones, ready_t: from + 48, overAge_t: null, ...more };
}

const warm = steadyPlace(24, 22);
const bench = steadyPlace(20, 15);
const frame = steadyPlace(16, 10, 'frame');
const planOf = (places: Partial<BatchPlan['places']> = {}, more: Partial<BatchPlan> = {}): BatchPlan => ({
  plantsWanted: 50,
  spare_frac: 0.1,
  transplantOn: out,
  hardening_days: 8,
  places: { germinate: warm.id, grow: bench.id, pot: bench.id, harden: frame.id, ...places },
  sowContainerId: 1,
  potContainerId: 2,
  ...more,
});

interface Asked {
  readonly crop?: Crop;
  readonly chain?: Chain;
  readonly plan?: BatchPlan;
  readonly places?: readonly Place[];
  readonly by?: TablesBy;
  readonly frost?: FrostRisk;
  readonly today?: number;
}
function asked({ crop = tomato, chain = chainOf(), plan, places = [], by, frost = NORTH, today }: Asked): Warning[] {
  const tables = seasonTables([warm, bench, frame, ...places], FROM, DAYS, by);
  return chainWarnings(chain, crop, plan ?? planOf(), tables, frost, today ?? sowOn - 5);
}
const codes = (list: readonly Warning[]) => list.map(({ code }) => code);

describe('sowing that is past, and plants that are over-age', () => {
  it('past is before today and not done; today is in time', () => {
    expect(asked({ today: sowOn })).toEqual([]);
    expect(asked({ today: sowOn + 1 })[0]).toMatchObject({ code: 'past', stage: 'germinate', day: sowOn });
    expect(codes(asked({ today: sowOn + 9, chain: chainOf({}, {}, sowOn, 'done') }))).toEqual([]);
  });
  it('over-age before it goes out, from the day it is', () => {
    expect(asked({ chain: chainOf({}, { overAge_t: out + 0.4 }) })[0]).toMatchObject({ code: 'over-age', day: out });
    expect(asked({ chain: chainOf({}, { overAge_t: out + 0.5 }) })).toEqual([]);
    expect(asked({ chain: chainOf({}, { overAge_t: out - 3.2 }) })[0]!.day).toBe(out - 4);
  });
});

describe('the stages of a chain', () => {
  const short = (chain: Chain, plan: BatchPlan) =>
    stageSpans(chain, plan).map(({ stage, from, to }) => [stage, from - sowOn, to - sowOn]);
  it('potted in one place, spaced in it or elsewhere, or never potted', () => {
    expect(short(chainOf(), planOf())).toEqual([
      ['germinate', 0, 8],
      ['grow', 8, 22],
      ['pot', 22, 50],
      ['harden', 50, 58],
    ]);
    expect(short(chainOf(), planOf({ space: warm.id }))).toEqual([
      ['germinate', 0, 8],
      ['grow', 8, 22],
      ['pot', 22, 34],
      ['space', 34, 50],
      ['harden', 50, 58],
    ]);
    expect(short(chainOf({ space: null }), planOf({ space: warm.id }))).toContainEqual(['pot', 22, 50]);
    expect(short(chainOf({ space: 50 }), planOf({ space: warm.id })).map(([stage]) => stage)).not.toContain('space');
    const unpotted = [
      ['germinate', 0, 8],
      ['grow', 8, 50],
      ['harden', 50, 58],
    ];
    expect(short(chainOf({ pot: null, space: null }), planOf())).toEqual(unpotted);
    expect(short(chainOf(), planOf({}, { potContainerId: null })).map(([stage]) => stage)).not.toContain('pot');
  });
  it('of plugs that are bought begin where they come', () => {
    const joins = { on: sowOn + 12, stage: 'grow' } as unknown as NonNullable<BatchPlan['joins']>;
    const bought = chainOf({ sow: null, 'half-up': null, 'off-heat': null, arrive: 12 });
    expect(short(bought, planOf({}, { joins })).slice(0, 2)).toEqual([
      ['grow', 12, 22],
      ['pot', 22, 50],
    ]);
  });
});

describe('temperatures of a stage', () => {
  const { bearsLow_C, bearsHigh_C, checkNight_C } = bandsOf(tomato, 'grow');
  const grownIn = (day_C: number, night_C: number) => {
    const place = { ...steadyPlace(day_C, night_C), name: 'Bay' };
    return asked({ places: [place], plan: planOf({ grow: place.id }) }).filter(({ stage }) => stage === 'grow');
  };
  it('on its limits nothing is said; beyond them both figures are', () => {
    expect(checkNight_C).toBeGreaterThan(bearsLow_C);
    expect(grownIn(bearsHigh_C, checkNight_C!)).toEqual([]);
    expect(grownIn(bearsHigh_C + 0.1, checkNight_C!)[0]).toMatchObject({
      code: 'temperature',
      temperatures_C: [bearsHigh_C + 0.1, bearsHigh_C],
      text: expect.stringMatching(/^Bay goes up to \{0\}; tomato to grow on wants \{1\} or less/) as string,
    });
    expect(grownIn(20, bearsLow_C - 0.1)).toMatchObject([{ temperatures_C: [bearsLow_C - 0.1, bearsLow_C] }]);
    // Between what it bears and what checks it: checked, not hurt.
    expect(grownIn(20, bearsLow_C)).toMatchObject([{ temperatures_C: [bearsLow_C, checkNight_C] }]);
    expect(grownIn(20, checkNight_C! - 0.1)[0]!.text).toMatch(/a night under \{1\} checks tomato/);
  });
  it('its first day and its last count, the days outside do not', () => {
    const monthDay = (day: number) => new Date(day * 86_400_000).toISOString().slice(5, 10);
    const coldOn = (day: number) => {
      const usual = { day_C: 20, night_C: 15 };
      const periods = [
        { from: '01-01', ...usual },
        { from: monthDay(day), day_C: 20, night_C: 1 },
        { from: monthDay(day + 1), ...usual },
      ];
      const place = { ...steadyPlace(20, 15), periods };
      return codes(asked({ places: [place], plan: planOf({ grow: place.id }) })).includes('temperature');
    };
    expect([7, 8, 15, 22, 23].map((day) => coldOn(sowOn + day))).toEqual([false, true, true, true, false]);
  });
  it('a place that is dark, one of another kind, and one nobody knows', () => {
    const dark = { ...steadyPlace(22, 20, 'dark-chamber'), name: 'Chamber' };
    const open = { ...steadyPlace(22, 20, 'ground'), name: 'Ground' };
    const says = (place: Place) =>
      asked({ places: [place], plan: planOf({ grow: place.id }) }).find(({ code }) => code === 'unsuitable-place')!
        .text;
    expect(says(dark)).toMatch(/^Chamber is dark: tomato to grow on wants another/);
    expect(says(open)).toMatch(/^Ground is not a place for it/);
    expect(asked({ plan: planOf({ grow: 99_999, pot: null }) })).toEqual([]);
  });
  it('few come up: under six in ten of the best, by the crop’s own source', () => {
    const at = (temperature_C: number) => {
      const place = steadyPlace(temperature_C, temperature_C);
      return asked({ places: [place], plan: planOf({ germinate: place.id }) }).find(
        ({ code }) => code === 'few-come-up',
      );
    };
    const cropShare = (percent: number) => ({
      ...tomato,
      emergence: [
        { temperature_C: 15, days: 14, percent: 100 },
        { temperature_C: 20, days: 8, percent },
      ],
    });
    const with_ = (percent: number) =>
      asked({ crop: cropShare(percent) as Crop, places: [], plan: planOf({ germinate: bench.id }) });
    expect(at(25)).toBeUndefined();
    expect(at(34.5)).toMatchObject({ stage: 'germinate', source: tomato.source, temperatures_C: [34.5] });
    // The bench has 17.5 on the mean: halfway between the two figures.
    expect(codes(with_(20))).not.toContain('few-come-up');
    expect(codes(with_(19))).toContain('few-come-up');
  });
});

describe('running to flower', () => {
  const celery = cropNamed('celery');
  it('counts the days from half up, each once, with what has grown and whether it stands out', () => {
    const tables = seasonTables([warm, bench, frame], FROM, DAYS);
    const days = boltDays(chainOf(), planOf(), tables);
    expect(days.map(({ day }) => day)).toEqual(
      Array.from({ length: STEPS.plant - STEPS['half-up'] + 1 }, (_, i) => sowOn + 7 + i),
    );
    expect(days[0]).toMatchObject({ grown_frac: 0, day_C: 24, night_C: 22, out: false });
    expect(days.find(({ day }) => day === sowOn + 50)!.grown_frac).toBe(1);
    expect(days.at(-1)).toMatchObject({ grown_frac: 1, out: true, day_C: 16, night_C: 10 });
    expect(boltDays(chainOf(), planOf({ pot: null }), tables).some(({ day }) => day === sowOn + 30)).toBe(false);
  });
  it('young celery in the cold may; in the warm it does not, and tomato never', () => {
    const cold = steadyPlace(11, 6);
    const inCold = (crop: Crop) =>
      asked({ crop, places: [cold], plan: planOf({ grow: cold.id, pot: cold.id }) }).filter(
        ({ code }) => code === 'bolting',
      );
    const [found] = inCold(celery);
    expect(found).toMatchObject({ stage: null, temperatures_C: [celery.boltCold_C] });
    expect(found!.text).toMatch(/^Celery (may|is likely to) run to flower: \d+ young days under \{0\} from \{day\}/);
    expect(found!.day).toBeGreaterThanOrEqual(sowOn + 7);
    expect(asked({ crop: celery }).filter(({ code }) => code === 'bolting')).toEqual([]);
    expect(inCold(tomato)).toEqual([]);
  });
  it('by long days only where the latitude is known', () => {
    const spinach = cropNamed('spinach');
    expect(spinach.boltDay_h).not.toBeNull();
    const long = (by?: TablesBy) =>
      asked({ crop: spinach, ...(by ? { by } : {}) }).filter(({ text }) => /days of \d+\.\d hours/.test(text));
    expect(long()).toEqual([]);
    const [found] = long({ normals: DEMO_OUTSIDE, sky: { latitude_deg: 54 } });
    expect(found).toMatchObject({ code: 'bolting', temperatures_C: [] });
  });
});

describe('too little light for the warmth', () => {
  const dim = (mol: number, days_C = 20): Place => ({
    ...steadyPlace(days_C, days_C),
    name: 'Back room',
    // No daylight: so many mol a day from lamps on for ten hours.
    light: {
      through_frac: 0,
      secondFilm: false,
      shade_frac: 0,
      lamps_h: 10,
      lamps_umol_m2_s: (mol * 1e6) / 36_000,
    },
  });
  const by: TablesBy = { normals: DEMO_OUTSIDE, sky: { latitude_deg: 54 } };
  const leggyIn = (place: Place, more: Partial<Asked> = {}) =>
    asked({ places: [place], plan: planOf({ grow: place.id, pot: place.id, space: bench.id }), by, ...more }).filter(
      ({ code, text }) => code === 'leggy' && text.includes('Back room'),
    );

  it('is said of each stage with its days, its light and what cures it; bright enough it is not', () => {
    const [grown, potted] = leggyIn(dim(2));
    expect([grown!.stage, potted!.stage]).toEqual(['grow', 'pot']);
    expect(grown).toMatchObject({ day: sowOn + 8, stage: 'grow' });
    expect(grown!.text).toMatch(/^Leggy in Back room: 14 days from \{day\} with 2\.0 mol of light a day/);
    expect(potted!.text).toMatch(/12 days from/);
    expect(leggyIn(dim(30))).toEqual([]);
  });
  it('tells how cool that light would bear and how much light that warmth wants', () => {
    const [found] = leggyIn(dim(2));
    const ratio = Number(/or (\d+\.\d) mol of light/.exec(found!.text)![1]) / (20 - tomato.base_C);
    const bears_C = tomato.base_C + 2 / ratio;
    expect(found!.temperatures_C[0]).toBeCloseTo(bears_C, 1);
    expect(found!.text).toMatch(/\. About \{0\} on the mean, with mornings/);
    // Less than two kelvin over what the crop bears is no cure: mornings are.
    const bearing = (bearsLow_C: number) =>
      leggyIn(dim(2), { crop: { ...tomato, bands: { ...tomato.bands, grow: { bearsLow_C } } } as Crop })[0]!.text;
    expect(bearing(Math.floor(10 * (bears_C - 2)) / 10 - 0.2)).toMatch(/\. About/);
    expect(bearing(Math.ceil(10 * (bears_C - 2)) / 10 + 0.2)).toMatch(/\. Mornings some degrees under the day; or/);
  });
  it('not from three days, and not of days before half up', () => {
    const pot = (day: number) => leggyIn(dim(2), { chain: chainOf({ pot: day, space: day + 1 }) });
    expect(pot(11).map(({ stage }) => stage)).not.toContain('grow');
    expect(pot(12).map(({ stage }) => stage)).toContain('grow');
    const germinated = asked({ places: [dim(2)], plan: planOf({ germinate: dim(2).id }), by });
    expect(codes(germinated)).not.toContain('leggy');
  });
});

describe('frost', () => {
  const frostOf = (crop: Crop, plantOn: string, frost: FrostRisk = NORTH, coverId: number | null = null) => {
    const chain = chainOf({}, {}, requireDay(plantOn) - STEPS.plant);
    return asked({ crop, chain, plan: planOf({}, { coverId }), frost, today: FROM }).filter(({ code }) =>
      /frost|autumn/.test(code),
    );
  };
  const weeks = (weeksFromLastFrost: number) => ({ ...tomato, weeksFromLastFrost });

  it('is told by the crop’s weeks from the mean, in words for none, one and more, before and after', () => {
    const says = (n: number, day: string) => frostOf(weeks(n), day)[0]?.text;
    expect(says(0, '2027-05-09')).toBe('Tomato goes out on the mean last frost: {day}.');
    expect(says(0, '2027-05-10')).toBeUndefined();
    expect(says(1, '2027-05-16')).toBe('Tomato goes out 1 week after the mean last frost: {day}.');
    expect(says(-1, '2027-05-02')).toBe('Tomato goes out 1 week before the mean last frost: {day}.');
    expect(says(-3, '2027-04-18')).toMatch(/3 weeks before/);
    expect(frostOf(weeks(2), '2027-05-23')[0]).toMatchObject({ code: 'frost', day: requireDay('2027-05-24') });
  });

  const by = { hardy: '03-20', 'half-hardy': '04-25', tender: '05-20', tropical: '06-01' } as const;
  const atRisk = (more: object = {}): FrostRisk => ({ ...NORTH, frost: { risk_frac: 0.2, outFrom: by, ...more } });
  it('at a risk by the night that hurts it; rarer than the risk it is not told', () => {
    expect(frostOf(tomato, '2027-05-19', atRisk())[0]).toMatchObject({ day: requireDay('2027-05-20') });
    expect(frostOf(tomato, '2027-05-19', atRisk())[0]!.text).toMatch(/no more than 20 years of 100/);
    expect(frostOf(tomato, '2027-05-20', atRisk())).toEqual([]);
    expect(frostOf(tomato, '2027-04-20', atRisk({ outFrom: { ...by, tender: null } }))).toEqual([]);
    const under = { 4: { ...by, tender: '05-05' } };
    expect(frostOf(tomato, '2027-05-06', atRisk({ under }), 4)).toEqual([]);
    expect(frostOf(tomato, '2027-05-04', atRisk({ under }), 4)[0]).toMatchObject({ day: requireDay('2027-05-05') });
    expect(frostOf(tomato, '2027-05-06', atRisk({ under }), 5)).toHaveLength(1);
  });

  it('in autumn tender plants meet the first, from its day on; hardy ones do not mind', () => {
    expect(frostOf(tomato, '2027-10-14')).toEqual([]);
    expect(frostOf(tomato, '2027-10-15')[0]).toMatchObject({ code: 'autumn-frost', day: requireDay('2027-10-15') });
    expect(frostOf(tomato, '2027-10-20')[0]!.text).toMatch(/^The mean first frost/);
    expect(frostOf(tomato, '2027-10-20', atRisk())[0]!.text).toMatch(/at the risk chosen/);
    expect(frostOf({ ...tomato, hardiness: 'hardy' }, '2027-10-20')).toEqual([]);
    expect(frostOf({ ...tomato, hardiness: 'half-hardy' }, '2027-10-20')).toHaveLength(1);
  });

  it('cool crops have a last day to be set out for autumn, later under a cover', () => {
    const lettuce = { ...cropNamed('lettuce'), hardiness: 'hardy' as const };
    const lastOut = { hardy: '09-20', 'half-hardy': '09-10', tender: null, tropical: null };
    const frost = atRisk({ lastOut, lastUnder: { 4: { ...lastOut, hardy: '10-05' } } });
    const says = (day: string, coverId: number | null = null, crop: Crop = lettuce) =>
      codes(frostOf(crop, day, frost, coverId));
    expect(says('2027-09-20')).toEqual([]);
    expect(says('2027-09-21')).toEqual(['autumn-late']);
    expect(says('2027-09-21', 4)).toEqual([]);
    expect(says('2027-10-06', 4)).toEqual(['autumn-late']);
    expect(says('2027-09-21', 5)).toEqual(['autumn-late']);
    expect(says('2027-09-21', null, { ...lettuce, group: 'warm' })).toEqual([]);
    // In spring it says nothing.
    expect(says('2027-04-21')).toEqual([]);
  });
});
