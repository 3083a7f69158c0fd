import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { leavingWater } from '../house/leaving.ts';
import { UNSOWN } from '../batch/reduce.ts';
import type { Container } from '../books/container.ts';
import type { BatchView } from '../plan/season.ts';
import type { Place, WaterBy } from '../books/place.ts';
import type { PlaceClimate } from '../plan/schedule/placeClimate.ts';
import type { Site } from '../weather/site.ts';
import { believe, DRY_BELOW, NOTHING_SEEN, type Look } from './belief.ts';
import { HELD_frac, heldOfMix, holdingOf } from './holding.ts';
import { lidAdvice, lidAt } from './lid.ts';
import { scaleReads, type ScaleState } from './scale.ts';
import { outsideHours } from './outsideHours.ts';
import { placeAir, type PlaceAir } from './placeAir.ts';
import { wetSurface, warmthFor } from './tooWet.ts';
import {
  afterHour,
  demandSince_mm,
  shareByWeight,
  Teaching,
  trayWater,
  waterToday,
  waterWay,
  wetAt_prob,
  type TrayWater,
} from './trayWater.ts';
import { standingLines, type WaterLine } from './waterLine.ts';
import { litresOf, whileAway } from './waterPlan.ts';
import { whoWaters } from './whoWaters.ts';
import { waterWeeks } from './waterWeeks.ts';

const HOUR_ms = 3_600_000;
const DAY = requireDay('2027-05-10');
const MIDNIGHT_ms = DAY * 86_400_000;
const AT = { latitude_deg: 51, timeZone: 'UTC', noon_h: 12 };

/** A site with one forecast, hour by hour as given. */
function siteWith(
  hours: readonly { hour: number; temp_C: number; rain_mm?: number | null; wind_m_s?: number }[],
): Site {
  const told = hours.map(({ hour, temp_C, rain_mm = 0, wind_m_s = 2 }) => ({
    ...{ day: DAY, hour, temp_C, wind_m_s, gust_m_s: null, rain_mm, cloud_frac: 0.2 },
  }));
  return {
    forecast: { hours: told, days: [{ day: DAY, least_C: 8, most_C: 22 }] },
    history: [],
    least: new Map(),
    most: new Map(),
    gusts: new Map(),
    usual: null,
  } as unknown as Site;
}
const climate = (day_C: number, night_C: number, free?: PlaceClimate['free']): PlaceClimate => ({
  ...{ placeId: 1, from: DAY, day_C: Float64Array.of(day_C), night_C: Float64Array.of(night_C) },
  ...(free ? { free } : {}),
});
const place = (kind: Place['kind'], more: Partial<Place> = {}) =>
  ({ id: 1, kind, light: null, ...more }) as Pick<Place, 'id' | 'kind' | 'temperature' | 'light'>;
const WITHIN = { latitude_deg: 51, height_m: 50, noon_h: 12 };
const outside = (site: Site | null, hours = 24) => outsideHours(site, AT, MIDNIGHT_ms, hours);
const day_mm = ({ hours }: PlaceAir) => hours.reduce((sum, { demand_mm }) => sum + demand_mm, 0);

describe('air outside by the hour', () => {
  it('is what the forecast tells, and where it ends at noon the day’s range goes on and is marked', () => {
    const hours = outside(siteWith(Array.from({ length: 12 }, (_, hour) => ({ hour, temp_C: 10 + hour }))));
    expect(hours[5]).toMatchObject({ temp_C: 15, told: true, rainKnown: true });
    expect(hours[15]).toMatchObject({ told: false, rainKnown: false });
    expect(hours[15]!.temp_C).toBeGreaterThan(18);
    expect(hours[15]!.temp_C).toBeLessThanOrEqual(22);
  });

  it('without any weather is the usual, by day warmer than by night', () => {
    const hours = outside(null);
    expect(hours[14]!.temp_C).toBeGreaterThan(hours[4]!.temp_C + 5);
    expect(hours.every(({ vapour_kPa, temp_C }) => vapour_kPa > 0.5 && vapour_kPa < 1.3 && temp_C < 17)).toBe(true);
  });

  it('keeps its hours over a night on which clocks are put forward', () => {
    const from = Date.parse('2027-03-27T23:00:00Z');
    const hours = outsideHours(null, { ...AT, timeZone: 'Europe/Berlin' }, from, 6);
    expect(hours.map(({ hour }) => Math.floor(hour))).toEqual([0, 1, 3, 4, 5, 6]);
  });
});

describe('air of a place', () => {
  const sunny = siteWith(
    Array.from({ length: 24 }, (_, hour) => ({ hour, temp_C: 12 + 8 * Math.sin((Math.PI * (hour - 8)) / 12) })),
  );

  it('asks more of trays outside in wind and sun than in a house, more there than in a dark chamber', () => {
    const ground = placeAir(place('ground'), climate(20, 10), outside(sunny), [], WITHIN);
    const bench = placeAir(place('bench'), climate(20, 15), outside(sunny), [], WITHIN);
    const chamber = placeAir(place('dark-chamber'), climate(24, 24), outside(sunny), [], WITHIN);
    expect(day_mm(ground)).toBeGreaterThan(1.2 * day_mm(bench));
    expect(day_mm(bench)).toBeGreaterThan(3 * day_mm(chamber));
    // A clear day in May: 3 to 7 mm of grass (FAO-56 table 2, temperate, 20 degrees), and half as much again of trays that stand alone.
    expect(day_mm(ground)).toBeGreaterThan(3);
    expect(day_mm(ground)).toBeLessThan(9);
  });

  it('by bottom heat dries from below: the mix is warmer than the air', () => {
    const free = { day_C: Float64Array.of(14), night_C: Float64Array.of(8) };
    const heated = placeAir(place('bench'), climate(24, 20, free), outside(sunny), [], WITHIN);
    const plain = placeAir(place('bench'), climate(14, 8), outside(sunny), [], WITHIN);
    expect(day_mm(heated)).toBeGreaterThan(1.3 * day_mm(plain));
    // The air over it is that of the room, as far as the bench may be warmer: 10 K.
    expect(heated.hours[13]!.temp_C).toBeCloseTo(14, 0);
    const air = placeAir(place('bench'), climate(14, 8), outside(sunny), [], WITHIN).hours[13]!;
    expect(heated.hours[13]!.demand_mm).toBeGreaterThan(1.2 * air.demand_mm);
  });

  it('goes by the humidity read there; by what is usual otherwise, and says which', () => {
    const read = [{ temp_C: 20, humidity_frac: 0.9 }];
    const damp = placeAir(place('bench'), climate(20, 18), outside(sunny), read, WITHIN);
    const dry = placeAir(
      place('bench'),
      climate(20, 18),
      outside(sunny),
      [{ ...read[0]!, humidity_frac: 0.4 }],
      WITHIN,
    );
    const unread = placeAir(place('bench'), climate(20, 18), outside(sunny), [], WITHIN);
    expect(day_mm(dry)).toBeGreaterThan(1.2 * day_mm(damp));
    expect([damp.humidityKnown, unread.humidityKnown]).toEqual([true, false]);
  });

  it('has rain on open ground and none in a frame; no rain foretold is said', () => {
    const wet = siteWith(Array.from({ length: 24 }, (_, hour) => ({ hour, temp_C: 12, rain_mm: 1 })));
    const unsaid = siteWith(Array.from({ length: 24 }, (_, hour) => ({ hour, temp_C: 12, rain_mm: null })));
    const air = placeAir(place('ground'), climate(12, 8), outside(wet), [], WITHIN);
    expect(demandSince_mm(air, MIDNIGHT_ms, MIDNIGHT_ms + 24 * HOUR_ms)).toBe(0);
    const frame = placeAir(place('frame'), climate(12, 8), outside(wet), [], WITHIN);
    expect(demandSince_mm(frame, MIDNIGHT_ms, MIDNIGHT_ms + 24 * HOUR_ms)).toBeGreaterThan(0.5);
    const known = (of: PlaceAir) => of.hours.every(({ rainKnown }) => rainKnown);
    expect(known(placeAir(place('ground'), climate(12, 8), outside(unsaid), [], WITHIN))).toBe(false);
    expect(known(placeAir(place('frame'), climate(12, 8), outside(unsaid), [], WITHIN))).toBe(true);
    expect(known(air)).toBe(true);
  });
});

/** Air that asks so much each hour of the day (8 to 18) and next to nothing by night, over some days. */
const steady = (mm_h: number, days = 4): PlaceAir => ({
  ...{ placeId: 1, humidityKnown: true, lightKnown: true },
  hours: Array.from({ length: 24 * days }, (_, i) => ({
    at_ms: MIDNIGHT_ms + i * HOUR_ms,
    day: DAY + Math.floor(i / 24),
    hour: i % 24,
    temp_C: 20,
    deficit_kPa: 0.6,
    demand_mm: i % 24 >= 8 && i % 24 < 18 ? mm_h : 0.02,
    rain_mm: 0,
    rainKnown: true,
    told: true,
  })),
});
const holding = holdingOf({ kind: 'cell-tray', footprint_slots: 1, volume_L: 3, perCarryingTray: 1 });
const tray = (share: number, more: Partial<TrayWater> = {}): TrayWater => ({
  ...{ batchId: 1, placeId: 1, containerId: 1, trays: 4, holding, cover: 0.4, lid: false, up: true, way: 'rose' },
  least: DRY_BELOW,
  ...{
    since: { share, demand_mm: 0, capacity_mm: holding.capacity_mm, cover: 0.4 },
  },
  ...{ lastLook: null, lidAdvice: null, evidence: NOTHING_SEEN, handId: null, full_g: null, waterings: [] },
  ...more,
});
const MORNING_ms = MIDNIGHT_ms + 8 * HOUR_ms;
const AT_EIGHT = { now_ms: MORNING_ms, next_ms: MORNING_ms + 24 * HOUR_ms, dusk_ms: MIDNIGHT_ms + 20 * HOUR_ms };

describe('what a tray wants today', () => {
  it('half dry on a usual day wants water now; full it does not; nobody knows: a look', () => {
    expect(waterToday(tray(0.45), steady(0.12), null, AT_EIGHT)).toMatchObject({ want: 'now', againBy_ms: null });
    expect(waterToday(tray(0.95), steady(0.05), null, AT_EIGHT).want).toBe('not');
    expect(waterToday(tray(0.5, { since: null }), steady(0.25), null, AT_EIGHT)).toMatchObject({
      want: 'look',
      share: null,
    });
  });

  it('on a hot day wants a second look, before the hour at which it may be dry', () => {
    const hot = waterToday(tray(0.5), steady(0.8), null, AT_EIGHT);
    expect(hot.want).toBe('now');
    const hour = (hot.againBy_ms! - MIDNIGHT_ms) / HOUR_ms;
    expect(hour).toBeGreaterThanOrEqual(9);
    expect(hour).toBeLessThan(14);
    expect(hot.dryAt_ms! - MORNING_ms).toBeLessThan(4 * HOUR_ms);
  });

  it('that may be wet still or dry within the hour is looked at now, not at an hour that is past', () => {
    const at = { ...AT_EIGHT, now_ms: MIDNIGHT_ms + 12.5 * HOUR_ms };
    for (const share of [0.62, 0.66, 0.7, 0.74]) {
      const { want, againBy_ms } = waterToday(tray(share), steady(0.9), null, at);
      expect(['look', 'now', 'not']).toContain(want);
      if (againBy_ms !== null) expect(againBy_ms).toBeGreaterThanOrEqual(at.now_ms);
      if (want === 'look') expect(againBy_ms).toBeNull();
    }
    const unsure = tray(0.95, { since: { share: 0.95, demand_mm: 1.6, capacity_mm: holding.capacity_mm, cover: 0.4 } });
    expect(waterToday(unsure, steady(1.5), null, at).want).toBe('look');
  });

  it('that lasts for days as likely as not, but may not, is looked at first', () => {
    const guessed = { ...steady(0.035), humidityKnown: false, lightKnown: false };
    const today = waterToday(tray(0.6), guessed, null, AT_EIGHT);
    expect(today.dry_prob).toBeGreaterThan(0.02);
    expect(today.dryAt_ms === null || today.dryAt_ms > AT_EIGHT.next_ms + 24 * HOUR_ms).toBe(true);
    expect(today.want).toBe('look');
  });

  it('under a lid loses next to nothing', () => {
    expect(waterToday(tray(0.6, { lid: true }), steady(0.4), null, AT_EIGHT).want).toBe('later');
  });

  it('litres fill all its trays again', () => {
    const { litres } = waterToday(tray(0.5), steady(0.25), null, AT_EIGHT);
    expect(litres).toBeCloseTo(4 * holding.water_L * 0.5 * 1.1, 6);
  });

  it('watered in the morning is dry on top by dusk, watered late it is not', () => {
    const today = waterToday(tray(0.5), steady(0.25), null, AT_EIGHT);
    const early = wetAt_prob(today, steady(0.25), MORNING_ms, AT_EIGHT.dusk_ms, true);
    const late = wetAt_prob(today, steady(0.25), MIDNIGHT_ms + 16.5 * HOUR_ms, AT_EIGHT.dusk_ms, true);
    expect(early).toBeLessThan(0.3);
    expect(late).toBeGreaterThan(0.9);
  });

  it('a weight is told by what it weighs when full, less water less weight', () => {
    expect(shareByWeight(3000, 3000, 0.84)).toBeCloseTo(0.95, 9);
    expect(shareByWeight(3000 - 420, 3000, 0.84)).toBeCloseTo(0.45, 9);
  });
});

describe('too wet', () => {
  const at = {
    now_ms: MIDNIGHT_ms + 3 * 24 * HOUR_ms + 8 * HOUR_ms,
    dusks_ms: [2, 1, 0].map((d) => MIDNIGHT_ms + (24 * d + 20) * HOUR_ms),
    hourOf: (ms: number) => ((ms - MIDNIGHT_ms) / HOUR_ms) % 24,
    dense: 1,
  };
  const every = (hour: number) => [0, 1, 2].map((d) => MIDNIGHT_ms + (24 * d + hour) * HOUR_ms);
  const belief = believe(NOTHING_SEEN, { humidity: true, light: true });

  it('watered every afternoon is wet three evenings running, and the hour is what to change first', () => {
    const wet = wetSurface(tray(1, { waterings: every(16.5) }), belief, steady(0.25, 5), at);
    expect(wet.evenings).toBe(3);
    expect(wet.causes[0]).toBe('late');
  });

  it('watered in the mornings of usual days is dry at dusk', () => {
    expect(wetSurface(tray(1, { waterings: every(8) }), belief, steady(0.25, 5), at).evenings).toBe(0);
  });

  it('in air that takes nothing up names the air, and dense sowing before it', () => {
    const still = {
      ...steady(0.02, 5),
      hours: steady(0.02, 5).hours.map((h) => ({ ...h, deficit_kPa: 0.1, temp_C: 10 })),
    };
    const { causes, evenings } = wetSurface(tray(1, { waterings: every(8) }), belief, still, { ...at, dense: 2 });
    expect(evenings).toBe(3);
    expect(causes).toEqual(['much', 'dense', 'still', 'cool']);
  });

  it('weighs hours by warmth: none in frost, most about 15 to 26 degrees (common practice, no source)', () => {
    expect([0, 5, 10, 20, 26, 30, 40].map(warmthFor)).toEqual([0, 0, 0.5, 1, 1, 5 / 9, 0]);
  });
});

describe('ahead', () => {
  it('small cells do not last three days, a lid does; waterings are as many as it dries', () => {
    const days = steady(0.25, 5);
    const end = MORNING_ms + 3 * 24 * HOUR_ms;
    const away = whileAway(waterToday(tray(0.5), days, null, AT_EIGHT), days, MORNING_ms, end);
    expect(away.lasts).toBe(false);
    expect(away.waterings).toBeGreaterThanOrEqual(2);
    expect(away.lastsTo_ms! - MORNING_ms).toBeGreaterThan(20 * HOUR_ms);
    const lid = whileAway(waterToday(tray(0.9, { lid: true }), days, null, AT_EIGHT), days, MORNING_ms, end);
    expect(lid).toMatchObject({ lasts: true, lastsTo_ms: null, waterings: 0 });
  });

  it('that lasts at the pace it is thought to dry, but not a third faster, does not last', () => {
    const end = MORNING_ms + 24 * HOUR_ms;
    const away = (mm_h: number) =>
      whileAway(waterToday(tray(0.5), steady(mm_h), null, AT_EIGHT), steady(mm_h), MORNING_ms, end);
    const edge = Array.from({ length: 100 }, (_, i) => away(0.1 + 0.005 * i)).find(
      ({ lastsTo_ms, lasts }) => lastsTo_ms === null && !lasts,
    );
    expect(edge).toMatchObject({ lasts: false, lastsTo_ms: null, waterings: 1 });
  });

  it('rain on open ground waters while nobody is there, and keeps a surface wet', () => {
    const dry = steady(0.3, 5);
    const rainy = { ...dry, hours: dry.hours.map((hour) => ({ ...hour, rain_mm: hour.hour === 12 ? 6 : 0 })) };
    const end = MORNING_ms + 3 * 24 * HOUR_ms;
    const today = waterToday(tray(0.5), dry, null, AT_EIGHT);
    expect(whileAway(today, rainy, MORNING_ms, end).waterings).toBeLessThan(
      whileAway(today, dry, MORNING_ms, end).waterings,
    );
    expect(afterHour(tray(1), 0.5, rainy.hours[12]!, 1)).toBe(1);
    expect(afterHour(tray(1, { lid: true }), 0.5, rainy.hours[12]!, 1)).toBeLessThan(0.5);
  });

  it('weeks: litres are what the air asks of the ground that stands there', () => {
    const stands = [{ placeId: 1, from: DAY - 3, to: DAY + 14, slots: 10, trays: 10 }];
    const weeks = waterWeeks(stands, DAY, () => 3);
    expect(weeks).toHaveLength(2);
    expect(weeks[0]!.litresADay).toBeCloseTo(litresOf(3 * 0.8, 10 * 0.54 * 0.28), 9);
    expect(weeks[0]!.traysADay).toBeCloseTo(8, 9);
    expect(waterWeeks([], DAY, () => 3)).toEqual([]);
  });
});

describe('a batch with its water log', () => {
  const view = (more: object = {}) =>
    ({
      batch: { id: 7, plan: { sowContainerId: 1, potContainerId: null } },
      events: [],
      state: {
        ...UNSOWN,
        phase: 'emerged',
        facts: { sow: DAY - 30, 'half-up': DAY - 20 },
        up_count: 60,
        lastDay: DAY,
        ...more,
      },
      progress: { stands: [{ placeId: 1, stage: 'grow', from: DAY - 30, to: DAY + 20, slots: 4, trays: 4 }] },
    }) as unknown as BatchView;
  const container = {
    id: 1,
    kind: 'cell-tray',
    cells: 60,
    footprint_slots: 1,
    volume_L: 3,
    perCarryingTray: 1,
  } as Container;
  let id = 0;
  const line = (kind: WaterLine['kind'], hour: number, more: Partial<WaterLine> = {}): WaterLine => ({
    ...{ id: ++id, kind, batchId: 7, placeId: null, at_ms: MIDNIGHT_ms + hour * HOUR_ms, look: null, weight_g: null },
    ...{ way: null, litres: null, fed: false, water_C: null, air_C: null, humidity_frac: null, note: '' },
    ...{ onLid: false, scaleId: null, correctsId: null, authorId: null, ...more },
  });
  const stands = (
    lines: readonly WaterLine[],
    now_h: number,
    of = view(),
    waterBy: WaterBy = 'hand',
    surface = false,
  ) =>
    trayWater(of, {
      today: DAY,
      now_ms: MIDNIGHT_ms + now_h * HOUR_ms,
      containers: new Map([[1, container]]),
      airOf: () => steady(0.25),
      waterBy: () => waterBy,
      heldOf: () => HELD_frac.loose,
      onSurface: () => surface,
      noonOf_ms: (day) => day * 86_400_000 + 12 * HOUR_ms,
      lines,
    });

  it('stands since it was last watered, by whose hand; later lines are still to come', () => {
    const at = stands([line('watered', 8, { authorId: 3 }), line('watered', 15)], 12)!;
    expect(at).toMatchObject({ trays: 4, handId: 3, way: 'rose', since: { share: 0.95 } });
    expect(at.since!.demand_mm).toBeCloseTo(4 * 0.25, 9);
    expect(at.waterings).toHaveLength(1);
  });

  it('sown today stands since it was tapped; tapped on another day, since noon', () => {
    const sown = (tapped_h: number) => ({
      ...view({ facts: { sow: DAY }, phase: 'sown', up_count: null }),
      events: [
        { kind: 'sown', day: DAY, recordedAt_ms: MIDNIGHT_ms + tapped_h * HOUR_ms },
      ] as unknown as BatchView['events'],
    });
    expect(stands([], 17, sown(16))!.since!.demand_mm).toBeCloseTo(0.25, 9);
    expect(stands([], 17, sown(400))!.since!.demand_mm).toBeCloseTo(5 * 0.25, 9);
  });

  it('sown before the weather is known, never seen: nobody knows; found moist it stands so, and the first look teaches nothing', () => {
    expect(stands([], 9)!.since).toBeNull();
    const found = stands([line('looked', 8, { look: 'moist' })], 9)!;
    expect(found.since!.share).toBe(0.55);
    expect(found.evidence.seen).toBe(0);
    expect(stands([line('looked', 8, { look: 'moist' }), line('looked', 14, { look: 'dry' })], 15)!.evidence.seen).toBe(
      1,
    );
  });

  it('the first weight after a watering is the full one; a later one tells what is left', () => {
    const weights = [
      line('watered', 8),
      line('weighed', 8.5, { weight_g: 3000 }),
      line('weighed', 10, { weight_g: 2950 }),
    ];
    expect(stands(weights, 12)).toMatchObject({ full_g: 3000, evidence: { seen: 0 } });
    const later = stands([...weights, line('weighed', 16, { weight_g: 2600 })], 17)!;
    expect(later).toMatchObject({ full_g: 3000, evidence: { seen: 1 } });
  });

  it('seed drinks from below and is covered; what is planted, planned or nowhere has no water', () => {
    const sown = view({ facts: { sow: DAY - 2 }, phase: 'sown', up_count: null, covered: true });
    expect(stands([line('watered', 8)], 12, sown)).toMatchObject({ way: 'below', lid: true, cover: 0, up: false });
    // Kept moister than plants, seed on the surface most of all.
    expect([stands([], 12, sown)!.least, stands([], 12, sown, 'hand', true)!.least, stands([], 9)!.least]).toEqual([
      0.45,
      0.55,
      DRY_BELOW,
    ]);
    const half = (of: number) => waterToday(tray(of, { least: 0.55, up: false }), steady(0.01), null, AT_EIGHT).want;
    expect([half(0.58), waterToday(tray(0.58), steady(0.01), null, AT_EIGHT).want]).toEqual(['now', 'later']);
    // A mat holds more in reach; a bench that is flooded waters all the same, drip lines only pots.
    expect(stands([], 9, sown, 'mat')!.holding.water_L).toBeCloseTo(0.84 + 0.3, 9);
    expect((['mat', 'flood', 'line'] as const).map((by) => stands([], 9, view(), by)!.way)).toEqual([
      'below',
      'flood',
      'rose',
    ]);
    expect(waterWay(view(), { kind: 'pot' }, DAY, 'line')).toBe('line');
    for (const phase of ['planned', 'planted', 'ended']) expect(stands([], 9, view({ phase }))).toBeNull();
    expect(stands([], 9, { ...view(), progress: { stands: [] } } as unknown as BatchView)).toBeNull();
  });
});

describe('what a mix holds by its parts', () => {
  const mix = {
    parts: [
      { itemId: 1, parts: 3 },
      { itemId: 2, parts: 1 },
    ],
  };
  it('is their mean by volume; a part that does not say counts as the usual, and a mix of which none says is not known', () => {
    expect(heldOfMix(mix, (id) => (id === 1 ? 0.3 : 0.12))).toBeCloseTo(0.255, 12);
    expect(heldOfMix(mix, (id) => (id === 1 ? 0.2 : null))).toBeCloseTo(0.22, 12);
    expect(heldOfMix(mix, () => null)).toBeNull();
    const cell = { kind: 'cell-tray', footprint_slots: 1, volume_L: 3, perCarryingTray: 1 } as const;
    expect(holdingOf(cell, 0, 0.255).water_L).toBeCloseTo(0.765, 12);
    expect(() => holdingOf(cell, 0, 0.9)).toThrow(RangeError);
  });
});

describe('who waters what while some are away', () => {
  const work = [
    { placeId: 1, minutes: 20 },
    { placeId: 2, minutes: 25 },
    { placeId: 1, minutes: 20 },
    { placeId: 3, minutes: 10 },
  ];
  it('each place goes to one, the longest first to whoever has least; nobody stays, nobody has any', () => {
    expect([...whoWaters(work, [7, 8])]).toEqual([
      [1, 7],
      [2, 8],
      [3, 8],
    ]);
    expect(new Set(whoWaters(work, [9]).values())).toEqual(new Set([9]));
    expect(whoWaters(work, []).size).toBe(0);
  });
});

describe('lids and bags', () => {
  const cover = (day: number, count: 0 | 1, id: number) => ({
    id,
    kind: 'cover',
    day,
    count,
    cause: '',
    correctsId: null,
  });
  const noonOf_ms = (day: number) => day * 86_400_000 + 12 * HOUR_ms;
  const under = (events: readonly object[], facts: object = {}) =>
    lidAt({ events, state: { facts } } as unknown as BatchView, noonOf_ms);

  it('from each line of the log on, and not after half are up', () => {
    const at = under([cover(DAY - 6, 1, 1), cover(DAY - 3, 0, 2), cover(DAY - 2, 1, 3)], { 'half-up': DAY - 1 });
    expect([-7, -5, -2.6, -1.5, 0].map((d) => at(noonOf_ms(DAY + d)))).toEqual([false, true, false, true, false]);
    expect(under([])(noonOf_ms(DAY))).toBe(false);
  });

  it('comes off when the first are up; drops on it: open it; clear: dry under it; mist, or seen two days ago: nothing', () => {
    const seen = (look: Look, back_h: number, onLid = true) => ({ look, onLid, at_ms: MORNING_ms - back_h * HOUR_ms });
    expect(lidAdvice(true, 3, seen('wet', 1), MORNING_ms)).toBe('off');
    expect(lidAdvice(false, 3, null, MORNING_ms)).toBeNull();
    expect(lidAdvice(true, 0, seen('wet', 2), MORNING_ms)).toBe('air');
    expect(lidAdvice(true, 0, seen('dry', 2), MORNING_ms)).toBe('dry');
    for (const nothing of [seen('moist', 1), seen('wet', 49), seen('wet', 1, false), null])
      expect(lidAdvice(true, 0, nothing, MORNING_ms)).toBeNull();
  });

  it('what a tray lost while its lid was off is counted though it is under one now', () => {
    const off = demandSince_mm(steady(0.25), MORNING_ms, MORNING_ms + 6 * HOUR_ms);
    const halves = (at_ms: number) => at_ms >= MORNING_ms + 3 * HOUR_ms;
    const half = demandSince_mm(steady(0.25), MORNING_ms, MORNING_ms + 6 * HOUR_ms, halves);
    expect(half / off).toBeCloseTo((1 + 0.06) / 2, 2);
  });
});

describe('a scale under a tray', () => {
  const scale = { trays: 2, tare_g: 500 };
  const WATER_L = 0.84;
  /** Weights of one tray, a minute apart from eight o'clock on unless told. */
  const run = (each_g: readonly number[], minutes: readonly number[] = each_g.map((_, i) => i)) => {
    let state: ScaleState | null = null;
    return each_g.map((g, i) => {
      const at_ms = MORNING_ms + minutes[i]! * 60_000;
      const says = scaleReads(state, { at_ms, gross_g: 2 * g + 500 }, scale, WATER_L);
      state = says.state;
      return says.watered ? `watered ${says.weight_g}` : says.weight_g;
    });
  };

  it('writes a weight of one tray once two readings agree, then once an hour', () => {
    expect(run([2000, 2001, 2000, 1995], [0, 1, 30, 62])).toEqual([null, 2001, null, 1995]);
  });
  it('a rise that stays is a watering, written with its full weight; one that does not, a hand that leaned on it', () => {
    expect(run([2000, 2000, 2700, 2702, 2701])).toEqual([null, 2000, null, 'watered 2702', null]);
    expect(run([2000, 2000, 2700, 2001, 2000])).toEqual([null, 2000, null, null, null]);
  });
  it('a drip is no watering, a tray that was taken off weighs nothing, a late or repeated reading says nothing', () => {
    expect(run([2000, 2000, 2060, 2060])).toEqual([null, 2000, null, null]);
    expect(run([2000, 2000, -250, -250, 2000, 2000])).toEqual([null, 2000, null, null, null, null]);
    expect(run([2000, 2000, 2700, 2700], [0, 1, 1, 0])).toEqual([null, 2000, null, null]);
  });
});

describe('what leaving trays dry costs', () => {
  it('grows with plants and with the chance, and must not be from even odds on', () => {
    const none = leavingWater([]);
    expect(none).toMatchObject({ plants: 0, mustNow: false });
    const some = leavingWater([
      { plants: 100, dry_prob: 0.2 },
      { plants: 50, dry_prob: 0.1 },
    ]);
    expect(some.plants).toBeCloseTo(0.15 * 25, 9);
    expect(some.mustNow).toBe(false);
    expect(leavingWater([{ plants: 10, dry_prob: 0.5 }]).mustNow).toBe(true);
  });
});

describe('what is written and learned', () => {
  const line = (id: number, kind: WaterLine['kind'], at_ms: number, correctsId: number | null = null) =>
    ({ id, kind, at_ms, correctsId }) as WaterLine;
  it('a line taken back does not stand; the oldest comes first', () => {
    const all = [line(1, 'watered', 30), line(2, 'looked', 10), line(3, 'withdrawn', 40, 1)];
    expect(standingLines(all).map(({ id }) => id)).toEqual([2]);
  });
  it('trays of which nothing was seen teach nothing', () => {
    expect(new Teaching([tray(0.5)]).of(tray(0.5))).toBeNull();
  });
});
