import { dayOfYear } from '../calendar/dayNumber.ts';
import { localTimeAt } from '../calendar/localDay.ts';
import { dayLength_h } from '../weather/sun.ts';
import { ladderAhead, ladderNow, shelterOf, type LadderAt, type LadderRules, type Limit } from './ladder.ts';
import { orderOf, type Order } from './orders.ts';
import { PROGRAMMES, rungsFor, usualProgramme, type Programme, type Rung } from './programme.ts';
import { degreesWords, COVER_WORDS } from './words.ts';
import { windWords } from '../units/words.ts';
import type { BatchState } from '../batch/reduce.ts';
import { restedOn } from '../potting/rest.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Crop } from '../books/crop.ts';
import type { LadderOfBatch } from '../batch/work.ts';
import { temperatureOn } from '../plan/schedule/placeClimate.ts';
import type { SeasonTables } from '../plan/schedule/seasonTables.ts';
import type { TemperatureUnit } from '../units/temperature.ts';
import type { World } from '../house/world.ts';
import { comingDays, pastDays, type Site } from '../weather/site.ts';
import { WORDS } from '../../words/en/hardening/ladderOfBatch.ts';

/** A batch's ladder with all the screens tell of it. */
export interface Ladder extends LadderOfBatch {
  readonly programme: Pick<Programme, 'id' | 'name' | 'kind'>;
  /** Chosen for the batch, or the usual one of its crop. */
  readonly chosen: boolean;
  readonly rules: LadderRules;
  readonly at: LadderAt;
  readonly harmed: Limit | null;
  readonly harmedOn: number | null;
  readonly orderOfDay: Order | null;
  /** Weather each decision met, today first. */
  readonly restsUntil: number;
  readonly heldUntil: number;
}

interface LadderInput {
  readonly plan: BatchPlan;
  readonly crop: Crop;
  readonly state: BatchState;
  readonly world: World;
  readonly site: Site;
  readonly tables: SeasonTables;
  /** Day hardening begins by the forecast, where it has not. */
  readonly startsOn: number | null;
}

/** Days before its start from which a ladder is shown. */
const SOON_days = 10;

/** Programme of a batch: its own, or the usual one of its crop. */
export function programmeOf(
  world: Pick<World, 'programmes'>,
  plan: BatchPlan,
  crop: Crop,
): { readonly programme: Programme; readonly chosen: boolean } {
  const own = world.programmes.find((p) => p.id === plan.programmeId);
  if (own) return { programme: own, chosen: true };
  const all = world.programmes.length > 0 ? world.programmes : PROGRAMMES.map((p, i) => ({ ...p, id: -1 - i }));
  return { programme: usualProgramme(all, crop.hardiness, plan.hardening_days)!, chosen: false };
}

/** What a place is worth on the night with its lid shut, K: its structure as measured or written, else by its own temperatures. */
export function shutWorth_K(placeId: number | null, world: World, site: Site, tables: SeasonTables): number {
  if (placeId === null) return 0;
  const cover = world.covers.find((c) => c.placeId === placeId);
  if (cover) return Math.max(0, site.worths.get(cover.id)?.worth_K ?? cover.worth_K);
  const place = world.places.find((p) => p.id === placeId);
  if (!place || place.kind === 'ground') return 0;
  if (place.temperature?.kind === 'outside') return Math.max(0, place.temperature.plusNight_K);
  const usual_C = site.usual?.night_C[site.today - site.usual.from];
  return usual_C === undefined
    ? 0
    : Math.max(0, temperatureOn(tables.climateOf(placeId), site.today).night_C - usual_C);
}

/** Rungs of a batch and what its places shelter. */
export function rulesOf(
  input: Omit<LadderInput, 'state' | 'startsOn'>,
): LadderRules & { readonly programme: Programme; readonly chosen: boolean } {
  const { plan, crop, world, site, tables } = input;
  const { programme, chosen } = programmeOf(world, plan, crop);
  const rungs = rungsFor(programme, crop.hardiness);
  const shelter_K = rungs.map((rung) =>
    shelterOf(rung, shutWorth_K(rung.placeId ?? plan.places.harden, world, site, tables)),
  );
  return { rungs, shelter_K, caution: world.nursery.planting.caution, programme, chosen };
}

/** Where a batch stands on its ladder, and the coming days by the forecast. null: not hardening and not soon. */
export function ladderOf(input: LadderInput): Ladder | null {
  const { state, world, site, startsOn } = input;
  const { today } = site;
  const hardening = state.phase === 'hardening';
  const before = state.phase === 'growing' || state.phase === 'potted';
  if (!hardening && (!before || startsOn === null || startsOn > today + SOON_days)) return null;
  const { programme, chosen, ...rules } = rulesOf(input);
  const past = pastDays(site);
  const logged = { rung: hardening ? state.rung : 0, since: state.rungOn, held: state.rungHeld };
  const { at, harmed, harmedOn } = ladderNow(rules, logged, past, today);
  const answered = harmedOn !== null && state.rungLoggedOn !== null && state.rungLoggedOn > harmedOn;
  const setBackTo = harmed !== null && !answered && at.rung > 1 ? at.rung - 1 : null;
  const restsUntil = restedOn(state, world.nursery.potting.rest_days);
  const heldUntil = state.held['rung'] ?? -Infinity;
  const start: LadderAt = setBackTo === null ? at : { rung: setBackTo, served: 0 };
  const days = comingDays(site).filter((d) => hardening || d.day >= startsOn!);
  // With no forecast at all the ladder still says that it does not know.
  const known = days.length > 0 ? days : hardening ? [NOTHING(today)] : [];
  const decisions = ladderAhead(rules, start, known, restsUntil, heldUntil);
  const [first] = decisions;
  const here = hardening && first && known[0]!.day === today ? first : null;
  const rung = here && here.rung > 0 ? rules.rungs[here.rung - 1]! : null;
  const orderOfDay = rung ? todaysOrder(rung, world, site) : null;
  return {
    rungs: rules.rungs,
    today: known[0]?.day ?? today,
    decisions,
    hardened: hardening && at.rung === rules.rungs.length && at.served >= rules.rungs.at(-1)!.days,
    setBackTo,
    order:
      rung && orderOfDay
        ? orderWords(rung, orderOfDay, world.nursery.temperatureUnit, whereOf(rung, input.plan, world))
        : '',
    unit: world.nursery.temperatureUnit,
    programme,
    chosen,
    rules,
    at,
    harmed: answered ? null : harmed,
    harmedOn: answered ? null : harmedOn,
    orderOfDay,
    restsUntil,
    heldUntil,
  };
}

const NOTHING = (day: number) => ({ day, most_C: null, night_C: null, morning_C: null, gust_m_s: null, spread_K: 0 });

/** Wall-clock hour of solar noon, by longitude and the zone's own offset. */
export function solarNoon_h(world: World, instant_ms: number): number {
  const { longitude_deg, timeZone } = world.nursery;
  const local = localTimeAt(instant_ms, timeZone);
  const offset_h = local.day * 24 + local.minute / 60 - Math.floor(instant_ms / 60_000) / 60;
  return 12 + offset_h - longitude_deg / 15;
}

function todaysOrder(rung: Rung, world: World, site: Site): Order {
  const hours = (site.forecast?.hours ?? []).filter((h) => h.day === site.today);
  const noon = solarNoon_h(world, site.today * 86_400_000 + 43_200_000);
  const sunset_h = noon + dayLength_h(world.nursery.latitude_deg, dayOfYear(site.today)) / 2;
  return orderOf(rung, hours, world.nursery.planting.home, sunset_h);
}

/** Where a rung is done: its place, the open ground beside the batch's own place, or that place itself. */
export function whereOf(rung: Rung, plan: BatchPlan, world: World): string {
  const name = (id: number | null) => world.places.find((p) => p.id === id)?.name ?? '';
  if (rung.placeId !== null) return WORDS.to(name(rung.placeId));
  const own = name(plan.places.harden);
  if (!own) return '';
  return rung.lid_frac === null && rung.hours_h < 24 ? WORDS.beside(own) : WORDS.in(own);
}

const clock = (hour: number): string => `${hour}:00`;

/** Today's order in a line. */
export function orderWords(rung: Rung, order: Order, unit: TemperatureUnit, where = ''): string {
  const cover = order.cover_h === null ? '' : WORDS.onBy(COVER_WORDS[rung.cover], clock(order.cover_h));
  if (order.in_h === null && order.out_h === null) return '';
  const at = where ? ` ${where}` : '';
  if (order.in_h === null) return cover && `${where ? `${where}: ` : ''}${cover}`;
  const short =
    order.short === null
      ? ''
      : WORDS.notLonger(
          order.short === 'home' ? WORDS.nobodyIsThere : order.short === 'cold' ? WORDS.tooCold : WORDS.tooWindy,
        );
  const met =
    order.least_C === null
      ? ''
      : WORDS.atLeast(
          degreesWords(order.least_C, unit),
          order.gust_m_s === null ? '' : WORDS.gusts(windWords(order.gust_m_s, unit)),
        );
  return WORDS.outAtInBy(at, clock(order.out_h!), clock(order.in_h), met, short, cover ? `; ${cover}` : '');
}
