import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../tests/references/library.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE } from '../../../simulators/demoBooks.ts';
import { demoWeather } from '../../../simulators/demoWeather.ts';
import { civilFromDay, requireDay } from '../calendar/dayNumber.ts';
import { USUAL_PLANTING } from '../planting/settings.ts';
import type { SiteReading } from './siteReading.ts';
import type { World } from '../house/world.ts';
import { outFrom } from '../planting/outFrom.ts';
import { knownOutside } from './knownOutside.ts';
import { comingDays, pastDays, siteOf, soilOn } from './site.ts';
import { frostGoneBy } from '../../server/weather/siteFrost.ts';

const TODAY = requireDay('2027-04-12');
const COVERS = [
  {
    id: 1,
    version: 1,
    name: 'Fleece',
    layers: 1,
    worth_K: 2,
    soil_K: 0.5,
    toHand_m2: 50,
    placeId: null,
    structure: null,
    note: '',
  },
  {
    id: 2,
    version: 1,
    name: 'Two layers',
    layers: 2,
    worth_K: 5,
    soil_K: 3,
    toHand_m2: 50,
    placeId: null,
    structure: null,
    note: '',
  },
];
/** As much of a world as the site's weather looks at. */
const worldOf = (nursery: object = {}) =>
  ({
    covers: COVERS,
    nursery: { ...DEMO_NURSERY, outside: DEMO_OUTSIDE, frost: null, planting: USUAL_PLANTING, ...nursery },
  }) as unknown as World;
const now = { instant_ms: TODAY * 86_400_000 + 28_800_000, today: TODAY, minute: 540 };
const history = (shift_K = 0, months = 0) =>
  demoWeather('2001-01-01', '2027-04-11').map((d) => ({
    ...d,
    // Half a year on makes a southern site of it.
    day: d.day + months * 30,
    least_C: d.least_C! + shift_K,
    most_C: d.most_C! + shift_K,
    source: 'test',
  }));
const reading = (day: number, more: Partial<SiteReading>): SiteReading => ({
  id: day,
  kind: 'max-min',
  day,
  coverId: null,
  least_C: null,
  most_C: null,
  gust_m_s: null,
  soil_C: null,
  offset_K: 0,
  note: '',
  correctsId: null,
  ...more,
});
const parts = { history: history(), kept: null, lows: [], readings: [], stationGusts: new Map<number, number>() };
const tomato = { ...cropNamed('tomato'), id: 1 };

describe('the picture of the weather', () => {
  it('the grower’s thermometer stands before the station, the station before what was foretold', () => {
    const lows = [TODAY - 3, TODAY - 2, TODAY - 1].map((day) => ({
      day,
      lead: 0,
      least_C: 9,
      most_C: 19,
      gust_m_s: 20,
      source: 's',
    }));
    const gap = { ...parts, history: parts.history.filter((d) => d.day < TODAY - 2), lows };
    const site = siteOf(worldOf(), now, 'k', { ...gap, readings: [reading(TODAY - 1, { least_C: -4 })] });
    expect(site.least.get(TODAY - 1)).toEqual({ value: -4, spread_K: 0 });
    expect(site.least.get(TODAY - 2)!.spread_K).toBeGreaterThan(1);
    expect(site.least.get(TODAY - 3)).toEqual({
      value: history().find((d) => d.day === TODAY - 3)!.least_C,
      spread_K: 0,
    });
    const past = pastDays(site);
    // A night that was read counts as read, one only foretold does not.
    expect(past.get(TODAY - 2)).toMatchObject({ night_C: -4 });
    expect(past.get(TODAY - 2)!.spread_K).toBeGreaterThan(0);
    expect(site.pairs).toBe(2);
  });
  it('without any forecast nothing is made up of the coming days', () => {
    const site = siteOf(worldOf(), now, 'k', parts);
    expect(site.forecast).toBeNull();
    expect(comingDays(site)).toEqual([]);
  });
  it('an old forecast says so, and its days count from when it was made', () => {
    const made_ms = now.instant_ms - 48 * 3_600_000;
    const hours = Array.from({ length: 240 }, (_, i) => ({
      at: new Date(made_ms + i * 3_600_000).toISOString(),
      temp_C: 8,
    }));
    const kept = { id: 1, source: 's', kind: 'service' as const, made_ms, madeOn: TODAY - 2, hours };
    const site = siteOf(worldOf(), now, 'k', { ...parts, kept });
    expect(site.forecast).toMatchObject({ stale: true, short_days: 2 });
    expect(site.forecast!.days[0]).toMatchObject({ day: TODAY, lead: 2 });
    expect(comingDays(site)[0]!.spread_K).toBeCloseTo(1.2 + 2 * 0.27);
  });
  it('puts a forecast right by the errors of its own source, never by another’s', () => {
    // A service that tells every night 2 degrees too warm, for forty nights.
    const lows = parts.history.slice(-40).map((d) => ({
      day: d.day,
      lead: 0,
      least_C: d.least_C! + 2,
      most_C: null,
      gust_m_s: null,
      source: 'service',
    }));
    const made_ms = TODAY * 86_400_000;
    const hours = Array.from({ length: 72 }, (_, i) => ({
      at: new Date(made_ms + i * 3_600_000).toISOString(),
      temp_C: 5,
    }));
    const of = (source: string) =>
      comingDays(
        siteOf(worldOf(), now, 'k', {
          ...parts,
          lows,
          kept: { id: 1, source, kind: 'typed' as const, made_ms, madeOn: TODAY, hours },
        }),
      )[0]!;
    expect(of('typed in the app').morning_C).toBe(5);
    expect(of('service').morning_C).toBeCloseTo(5 - (40 * 2) / 48, 9);
  });
  it('days outside as they are known: station, before it the grower’s thermometer, then the forecast', () => {
    const made_ms = TODAY * 86_400_000;
    const hours = Array.from({ length: 72 }, (_, i) => ({
      at: new Date(made_ms + i * 3_600_000).toISOString(),
      temp_C: 5 + (i % 24) / 4,
    }));
    const kept = { id: 1, source: 'typed', kind: 'typed' as const, made_ms, madeOn: TODAY, hours };
    const readings = [reading(TODAY - 2, { least_C: -7.5 })];
    const days = new Map(
      knownOutside(siteOf(worldOf(), now, 'k', { ...parts, kept, readings }), TODAY - 5).map(([day, ...of]) => [
        day,
        of,
      ]),
    );
    const station = (day: number) => parts.history.find((d) => d.day === day)!;
    expect(days.get(TODAY - 3)).toEqual([station(TODAY - 3).most_C, station(TODAY - 3).least_C]);
    expect(days.get(TODAY - 2)).toEqual([station(TODAY - 2).most_C, -7.5]);
    const told = comingDays(siteOf(worldOf(), now, 'k', { ...parts, kept, readings }))[1]!;
    expect(told.most_C! - told.morning_C!).toBeGreaterThan(3);
    expect(days.get(TODAY + 1)).toEqual([told.most_C, told.morning_C]);
    expect([...days.keys()]).toEqual([...days.keys()].sort((a, b) => a - b));
    expect(days.has(TODAY - 6)).toBe(false);
    expect(knownOutside(null, TODAY)).toEqual([]);
  });
  it('soil by what is known, usual weather after it, nothing from nothing', () => {
    const site = siteOf(worldOf(), now, 'k', parts);
    expect(soilOn(site, TODAY)!).toBeGreaterThan(3);
    expect(soilOn(site, TODAY + 60)!).toBeGreaterThan(soilOn(site, TODAY)!);
    const empty = siteOf(worldOf({ outside: null }), now, 'k', { ...parts, history: [] });
    expect(empty.soil).toBeNull();
    expect(empty.usual).toBeNull();
    // One reading and nothing else stays as it is read.
    const read = siteOf(worldOf({ outside: null }), now, 'k', {
      ...parts,
      history: [],
      readings: [reading(TODAY - 2, { kind: 'soil', soil_C: 9 })],
    });
    expect(soilOn(read, TODAY)).toBeCloseTo(9);
    // Twenty days of every month are enough for usual weather.
    expect(siteOf(worldOf({ outside: null }), now, 'k', parts).usual).not.toBeNull();
  });
});

describe('first day out', () => {
  const site = siteOf(worldOf(), now, 'k', parts);
  it('two layers bring it forward at the same risk, a smaller risk puts it back', () => {
    const world = worldOf();
    const open = outFrom(site, world, tomato, null, TODAY + 40);
    const two = outFrom(site, world, tomato, COVERS[1]!, TODAY + 40);
    expect(open.day! - two.day!).toBeGreaterThan(10);
    const careful = outFrom(site, world, cropNamed('lettuce') as typeof tomato, null, TODAY + 40, 0.05);
    const bold = outFrom(site, world, cropNamed('lettuce') as typeof tomato, null, TODAY + 40, 0.5);
    expect(careful.day!).toBeGreaterThanOrEqual(bold.day!);
  });
  it('by the school of weeks a layer is so many weeks, whatever its degrees', () => {
    const world = worldOf({ planting: { ...USUAL_PLANTING, layerSchool: 'weeks', layer_weeks: 4 } });
    const [open, two] = [null, COVERS[1]!].map((c) => outFrom(site, world, tomato, c, TODAY + 40).day!) as [
      number,
      number,
    ];
    expect(open - two).toBe(56);
  });
  it('in the south it falls into October and November, across the new year of no season', () => {
    const world = worldOf({ latitude_deg: -41, outside: DEMO_OUTSIDE.map((_, i) => DEMO_OUTSIDE[(i + 6) % 12]!) });
    const south = siteOf(world, now, 'k', { ...parts, history: history(0, 6) });
    const { day } = outFrom(south, world, tomato, COVERS[1]!, requireDay('2027-11-10'));
    expect(civilFromDay(day!)).toMatchObject({ year: 2027 });
    expect([10, 11, 12]).toContain(civilFromDay(day!).month);
    // A day in February belongs to the season that began the July before.
    expect(outFrom(south, world, tomato, COVERS[1]!, requireDay('2028-02-10')).day).toBe(day);
  });
  it('where frost never comes soil and nights decide; where it is never warm enough there is no day', () => {
    const mild = siteOf(worldOf(), now, 'k', { ...parts, history: history(14) });
    expect(outFrom(mild, worldOf(), tomato, null, TODAY + 40).by).not.toBe('frost');
    const cold = worldOf({ outside: DEMO_OUTSIDE.map((m) => ({ day_C: m.day_C - 12, night_C: m.night_C - 12 })) });
    const bleak = siteOf(cold, now, 'k', { ...parts, history: history(-12) });
    expect(outFrom(bleak, cold, tomato, null, TODAY + 40).day).toBeNull();
  });
  it('what nothing holds back may go at any time, and no earlier than its season', () => {
    const pea = { ...cropNamed('kale'), id: 2 };
    const two = outFrom(site, worldOf(), pea, COVERS[1]!, TODAY);
    expect(two).toMatchObject({ day: requireDay('2027-01-01'), fromStart: true });
  });
  it('without years it goes by the mean last frost and the crop’s weeks, covers by degrees or weeks', () => {
    const world = worldOf();
    const none = siteOf(world, now, 'k', { ...parts, history: [] });
    const open = outFrom(none, world, tomato, null, TODAY + 40);
    expect(open).toEqual({
      day: requireDay('2027-05-08') + 7 * tomato.weeksFromLastFrost,
      by: 'frost date',
      fromStart: false,
    });
    expect(outFrom(none, world, tomato, COVERS[0]!, TODAY + 40).day!).toBeLessThan(open.day!);
    const bare = worldOf({ outside: null });
    const blind = siteOf(bare, now, 'k', { ...parts, history: [] });
    expect(open.day! - outFrom(blind, bare, tomato, COVERS[1]!, TODAY + 40).day!).toBe(49);
  });
});

describe('the frosts a season goes by', () => {
  it('are the site’s own at one year in ten, with covers apart, until others are chosen or there are too few years', () => {
    const site = siteOf(worldOf(), now, 'k', parts);
    const own = frostGoneBy(site, worldOf())!;
    expect(own.risk_frac).toBe(0.1);
    expect(own.outFrom.hardy! < own.outFrom.tender!).toBe(true);
    expect(own.under![2]!.tender! < own.outFrom.tender!).toBe(true);
    const chosen = { threshold_C: -1, risk_frac: 0.3, outFrom: own.outFrom };
    expect(frostGoneBy(site, worldOf({ frost: chosen }))).toMatchObject(chosen);
    const few = siteOf(worldOf(), now, 'k', { ...parts, history: parts.history.slice(-800) });
    expect(frostGoneBy(few, worldOf())).toBeNull();
    expect(frostGoneBy(null, worldOf())).toBeNull();
  });
});
