import { plainCropOf } from '../../core/books/cropOf.ts';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { seasonOf } from '../../core/calendar/season.ts';
import { hourly_C } from '../../core/weather/hourly.ts';
import type { NurseryRecord } from '../../core/house/nursery.ts';
import { differenceWords, lengthWords } from '../../core/units/words.ts';
import { dayLength_h } from '../../core/weather/sun.ts';
import { localHourAt } from '../../core/calendar/localDay.ts';
import { costAt } from '../../core/heat/cost.ts';
import { CLEAR_SKY_K, harmBelow_C, hoursToHarm } from '../../core/heat/harm.ts';
import { middleOfMonth } from '../../core/heat/yearHours.ts';
import { modeAt } from '../../core/heat/simulate.ts';
import { flowsAt, sizingOf } from '../../core/heat/sizing.ts';
import type { CoverKind, ZoneSpec } from '../../core/heat/zone.ts';
import type {
  AlarmRecord,
  HandReading,
  HarmLine,
  HeatTotals,
  SeriesRole,
  ZoneCard,
  ZoneStatus,
  ZoneView,
} from '../../contracts/heat/heat.ts';
import { readOpenAlarms } from '../../db/heat/alarms.ts';
import { readSetPointLog } from '../../db/heat/heat.ts';
import { readBuckets, readHourly } from '../../db/heat/readings.ts';
import { database } from '../database.ts';
import { morningOf } from '../clock.ts';
import { statusNow } from './byHand.ts';
import { readHeat, specOf, type HeatContext, type ZoneNow } from './context.ts';
import { WORDS } from '../../words/en/heat/views.ts';

/** A cold night of the month against its usual one. Common practice, no source. */
const COLD_NIGHT_K = 5;

/** Outside by the hour from now: the usual of the day shifted to what is measured now, its nights as cold as one in ten. */
export function outsideAhead(c: HeatContext, outside_C: number | null, hours: number): number[] {
  const { latitude_deg } = c.season.world.nursery;
  const month = Number(isoFromDay(c.season.now.today).slice(5, 7)) - 1;
  const daylight = dayLength_h(latitude_deg, middleOfMonth(month));
  const usual = (hour: number) =>
    hourly_C({ hour: hour % 24, least_C: c.usualNight_C, most_C: c.usualDay_C, dayLength_h: daylight });
  const cold = (hour: number) =>
    hourly_C({ hour: hour % 24, least_C: c.usualNight_C - COLD_NIGHT_K, most_C: c.usualDay_C, dayLength_h: daylight });
  const shift = outside_C === null ? 0 : outside_C - usual(c.hour);
  return Array.from(
    { length: hours },
    (_, h) => (h === 0 ? usual(c.hour) : cold(c.hour + h)) + Math.min(0, shift) + Math.max(0, shift) * Math.exp(-h / 6),
  );
}

/** The next better cover a grower would put on. */
export function oneMore(cover: CoverKind): CoverKind {
  return cover === 'none' ? 'fleece' : cover === 'fleece' ? 'single' : 'double';
}

/** Hours to harm of what stands in a zone, as it is covered now and with one cover more. */
export function harmOf(c: HeatContext, z: ZoneNow, status: ZoneStatus | undefined): HarmLine[] {
  if (!status || z.standing.length === 0) return [];
  const spec = z.watched.zone;
  const levels = z.standing.map((b) => harmBelow_C(plainCropOf(c.season.world, b.batch)));
  const cover = modeAt(spec, true).cover;
  const outside_C = outsideAhead(c, status.outside_C, 72);
  const run = (kind: CoverKind) =>
    hoursToHarm(
      spec,
      { start_C: status.x, outside_C, floor_C: status.floor_C, mode: { cover: kind, open: false }, sky_K: CLEAR_SKY_K },
      levels,
    );
  const [bare, as, more] = [run('none'), run(cover), run(oneMore(cover))];
  return z.standing
    .map((b, i) => ({
      batchId: b.batch.id,
      name: b.name,
      harm_C: levels[i]!,
      bare_h: bare[i]!,
      hours: as[i]!,
      more_h: more[i]!,
    }))
    .sort((a, b) => (a.hours ?? 99) - (b.hours ?? 99));
}

const HOUR_ms = 3_600_000;

/** kWh, money and carbon dioxide of a zone over a span, by its heater's share of time. */
async function totalOf(c: HeatContext, z: ZoneNow, from_ms: number): Promise<HeatTotals> {
  const heater = z.sensors.find((s) => s.role === 'heater');
  const hours = heater ? await readHourly(database(), heater.id, from_ms, c.season.now.instant_ms + HOUR_ms) : [];
  const { settings } = c;
  const { timeZone } = c.season.world.nursery;
  const used = hours.map(({ at_ms, mean }) => ({ at_ms, energy_kWh: (mean * z.zone.spec.heater.power_W) / 1000 }));
  const kWh = used.reduce((sum, { energy_kWh }) => sum + energy_kWh, 0);
  const money = costAt(settings.tariff, used, (at_ms) => localHourAt(at_ms, timeZone));
  return { kWh, money, co2_kg: kWh * settings.co2_kg_kWh, hours: hours.length };
}

/** Start of today, of the month and of the season at the nursery. */
function starts(c: HeatContext) {
  const { today } = c.season.now;
  const { timeZone } = c.season.world.nursery;
  const midnight = (day: number) => morningOf(day, timeZone) - 8 * HOUR_ms;
  const iso = isoFromDay(today);
  return {
    today: midnight(today),
    month: midnight(dayFromIso(`${iso.slice(0, 7)}-01`)!),
    season: midnight(seasonOf(today, c.season.world.nursery.latitude_deg).from),
  };
}

/** Read by hand longer ago than this, hours to harm are not worked out from it. */
const HAND_OLD_ms = 6 * HOUR_ms;

/** One zone in the list. */
function cardOf(z: ZoneNow, status: ZoneStatus | undefined, alarms: readonly AlarmRecord[]): ZoneCard {
  return {
    id: z.zone.id,
    name: z.name,
    placeId: z.zone.placeId,
    status: status ?? null,
    set_C: z.setPoint.set_C,
    setWhy: z.setPoint.why,
    setFrom: z.setPoint.from,
    alarms: alarms.filter((a) => a.zoneId === z.zone.id).map((a) => a.kind),
    byHand: z.zone.device === null,
    unverified: z.zone.device !== null && z.sensors.some((s) => s.role === z.zone.spec.sensor && s.checkedOn === null),
  };
}

export async function heatCards(): Promise<{
  context: HeatContext;
  cards: ZoneCard[];
  alarms: AlarmRecord[];
  hand: readonly HandReading[];
}> {
  const db = database();
  const [context, alarms] = await Promise.all([readHeat(db), readOpenAlarms(db)]);
  const { status, hand } = await statusNow(db, context);
  return { context, alarms, hand, cards: context.zones.map((z) => cardOf(z, status.get(z.zone.id), alarms)) };
}

/** All a zone's page shows. null when there is no such zone. */
export async function zoneView(id: number | null): Promise<{
  view: ZoneView | null;
  cards: ZoneCard[];
  alarms: AlarmRecord[];
  context: HeatContext;
  all: { today: HeatTotals; season: HeatTotals };
}> {
  const db = database();
  const { context: c, cards, alarms, hand } = await heatCards();
  const from = starts(c);
  const totals = await Promise.all(
    c.zones.map(async (z) => ({
      id: z.zone.id,
      today: await totalOf(c, z, from.today),
      season: await totalOf(c, z, from.season),
    })),
  );
  const sum = (key: 'today' | 'season') =>
    totals.reduce(
      (s, t) => ({
        kWh: s.kWh + t[key].kWh,
        money: s.money + t[key].money,
        co2_kg: s.co2_kg + t[key].co2_kg,
        hours: Math.max(s.hours, t[key].hours),
      }),
      { kWh: 0, money: 0, co2_kg: 0, hours: 0 },
    );
  const all = { today: sum('today'), season: sum('season') };
  const z = id === null ? c.zones[0] : c.zones.find((one) => one.zone.id === id);
  if (!z) return { view: null, cards, alarms, context: c, all };
  const card = cards.find((one) => one.id === z.zone.id)!;
  const { status } = card;
  // A figure read by hand hours ago says nothing of the heat in the bed now.
  const present = status !== null && (!card.byHand || c.season.now.instant_ms - status.at_ms < HAND_OLD_ms);
  const spec = specOf(z.zone);
  const set_C = z.setPoint.set_C ?? 18;
  const night = { cover: spec.cover.night, open: false };
  const sizing = sizingOf(spec, { set_C, outside_C: c.usualNight_C, mode: night });
  const view: ZoneView = {
    zone: z.zone,
    card,
    sizing,
    flows:
      status && !card.byHand
        ? flowsAt(spec, {
            bed_C: status.x[0],
            medium_C: status.x[1],
            air_C: status.x[2],
            floor_C: status.floor_C,
            night: status.night,
          })
        : null,
    harm: harmOf(c, z, present ? status : undefined),
    alarms: alarms.filter((a) => a.zoneId === z.zone.id),
    totals: { ...totals.find((t) => t.id === z.zone.id)!, month: await totalOf(c, z, from.month) },
    onToday: await onToday(c, z, from.today),
    hand: hand.filter((r) => r.zoneId === z.zone.id),
    sensors: card.byHand ? [] : z.sensors.filter((s) => s.role !== 'heater' && s.role !== 'set'),
    log: await readSetPointLog(db, z.zone.id, 6),
    override: z.override,
    whatIf: whatIfs(spec, set_C, c.usualNight_C, c.season.world.nursery),
    batches: z.standing.map((b) => ({ id: b.batch.id, name: b.name })),
  };
  return { view, cards, alarms, context: c, all };
}

async function onToday(c: HeatContext, z: ZoneNow, from_ms: number): Promise<number | null> {
  const heater = z.sensors.find((s) => s.role === 'heater');
  if (!heater) return null;
  const list = await readHourly(database(), heater.id, from_ms, c.season.now.instant_ms + HOUR_ms);
  return list.length === 0 ? null : list.reduce((sum, h) => sum + h.mean, 0) / list.length;
}

/** What a change would be worth on a usual night of now, as a share of the steady heat. */
function whatIfs(
  spec: ZoneSpec,
  set_C: number,
  outside_C: number,
  { temperatureUnit: unit, lengthUnit }: Pick<NurseryRecord, 'temperatureUnit' | 'lengthUnit'>,
): ZoneView['whatIf'] {
  const need = (zone: ZoneSpec, set: number, cover: CoverKind) =>
    sizingOf(zone, { set_C: set, outside_C, mode: { cover, open: false } });
  const now = need(spec, set_C, spec.cover.night);
  const foamed: ZoneSpec = { ...spec, below: [...spec.below, { material: 'foam', thickness_m: 0.05 }] };
  const more = oneMore(spec.cover.night);
  const ways: [string, ReturnType<typeof sizingOf>][] = [
    [WORDS.lower(differenceWords(2, unit)), need(spec, set_C - 2, spec.cover.night)],
    [WORDS.moreFoamBelow(lengthWords(50, lengthUnit)), need(foamed, set_C, spec.cover.night)],
  ];
  if (more !== spec.cover.night)
    ways.push([
      more === 'fleece' ? WORDS.aFleeceOverIt : more === 'single' ? WORDS.filmOverIt : WORDS.doubleFilmOverIt,
      need(spec, set_C, more),
    ]);
  if (spec.cover.night !== 'none') ways.push([WORDS.noCoverByNight, need(spec, set_C, 'none')]);
  return ways.map(([words, s]) => ({
    words,
    change_frac: now.need_W > 0 ? s.need_W / now.need_W - 1 : 0,
    holds: s.holds,
    holdsTo_C: s.holdsTo_C,
  }));
}

export interface SeriesAnswer {
  readonly from_ms: number;
  readonly to_ms: number;
  readonly series: readonly {
    readonly role: SeriesRole;
    readonly points: readonly (readonly [at_ms: number, low: number, mean: number, high: number])[];
  }[];
}

/** Lines of a zone over a span, for a drawing of so many points' width. */
export async function seriesOf(
  zoneId: number,
  from_ms: number,
  to_ms: number,
  width: number,
): Promise<SeriesAnswer | null> {
  const db = database();
  const c = await readHeat(db);
  const z = c.zones.find((one) => one.zone.id === zoneId);
  if (!z) return null;
  const sensors = [...z.sensors, ...(c.outsideSensor ? [c.outsideSensor] : [])];
  const found = await readBuckets(
    db,
    sensors.map((s) => s.id),
    from_ms,
    to_ms,
    width,
  );
  const round = (n: number) => Math.round(n * 100) / 100;
  return {
    from_ms,
    to_ms,
    series: sensors.map((s) => ({
      role: s.role,
      points: found.get(s.id)!.map((b) => [b.at_ms, round(b.low), round(b.mean), round(b.high)] as const),
    })),
  };
}
