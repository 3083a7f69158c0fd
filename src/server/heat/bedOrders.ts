import { localTimeAt } from '../../core/calendar/localDay.ts';
import { modeAt } from '../../core/heat/simulate.ts';
import { sizingOf } from '../../core/heat/sizing.ts';
import { switchOn, type SwitchOn } from '../../core/heat/switchOn.ts';
import { setPointNow } from '../../core/heat/setPoint.ts';
import { coverOn } from '../../core/heat/yearHours.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import type { ZoneRecord } from '../../contracts/heat/heat.ts';
import { readZones } from '../../db/heat/heat.ts';
import type { Db } from '../../db/sql.ts';
import { structureHours } from '../hardening/structures.ts';
import type { Season } from '../../core/plan/season.ts';
import { specOf } from './context.ts';
import { hotBedView } from './hotBed.ts';
import { WORDS } from '../../words/en/heat/bedOrders.ts';

/** A bed that warms in less on a dull day is switched on when it is sown. Common practice, no source. */
const HEAVY_h = 2;
/** By this hour of the day of sowing it is to be warm. Common practice, no source. */
const WARM_BY_h = 18;

/** What the beds of the house want today, by place: hot beds built, turned and read; heavy beds switched on. */
export async function bedOrders(db: Db, season: Season): Promise<Map<number, string[]>> {
  const orders = new Map<number, string[]>();
  for (const place of season.world.places) {
    const bed = hotBedView(season, place);
    if (bed && bed.orders.length > 0) orders.set(place.id, [...bed.orders]);
  }
  if (!season.site?.forecast) return orders;
  for (const zone of await readZones(db)) {
    const words = switchOnWords(season, zone);
    if (words) orders.set(zone.placeId, [...(orders.get(zone.placeId) ?? []), words]);
  }
  return orders;
}

/** The order to switch a cold bed on before it is sown; null where there is none to give. */
function switchOnWords(season: Season, zone: ZoneRecord): string | null {
  const found = switchOnOf(season, zone);
  if (!found) return null;
  const { proposal, day, hour, sowDay } = found;
  if (proposal === null) return WORDS.switchTheBedOnNow(shortDay(sowDay));
  const when = WORDS.at00(day === season.now.today ? WORDS.today : shortDay(day), String(hour).padStart(2, '0'));
  const saved = proposal.saves_kWh ?? 0;
  const saves = saved > 0.05 ? WORDS.kwhLessThanFromThe(saved.toFixed(1)) : '';
  return WORDS.switchTheBedOnWarm(when, proposal.takes_h, shortDay(sowDay), proposal.energy_kWh.toFixed(1), saves);
}

interface Proposed {
  /** null: it cannot be warm in time. */
  readonly proposal: SwitchOn | null;
  readonly day: number;
  readonly hour: number;
  readonly sowDay: number;
}

/** When a zone with nothing on it is to be switched on for its next sowing, by the forecast. */
export function switchOnOf(season: Season, zone: ZoneRecord): Proposed | null {
  const { now, world, site } = season;
  const place = world.places.find((p) => p.id === zone.placeId);
  if (!place || !site) return null;
  const stands = season.batches.some(
    (view) =>
      view.state.phase !== 'planned' &&
      view.progress.stands.some((s) => s.placeId === place.id && s.from <= now.today && s.to > now.today),
  );
  const sowDay = nextSowing(season, place.id);
  if (stands || sowDay === null) return null;
  const setOn = (today: number) =>
    setPointNow({
      place,
      today,
      night: false,
      now_ms: now.instant_ms,
      overrides: [],
      most_C: zone.spec.mostSet_C,
      batches: [],
    }).set_C;
  const set_C = setOn(sowDay);
  // A controller that is heating already needs nobody.
  if (set_C === null || (zone.device !== null && setOn(now.today) !== null)) return null;
  const { minute } = localTimeAt(now.instant_ms, world.nursery.timeZone);
  const hours = structureHours(site, season).filter(
    (h) => (h.day > now.today || h.hour >= Math.floor(minute / 60)) && (h.day < sowDay || h.hour < WARM_BY_h),
  );
  const until = hours.filter((h) => h.day <= sowDay);
  const last = until.at(-1);
  if (!last || last.day !== sowDay || last.hour !== WARM_BY_h - 1) return null;
  const spec = specOf(zone);
  const { warmUp_h } = sizingOf(spec, { set_C, outside_C: until[0]!.temp_C, mode: modeAt(spec, true) });
  if (warmUp_h !== null && warmUp_h < HEAVY_h) return null;
  const floor_C = until.reduce((sum, h) => sum + h.temp_C, 0) / until.length;
  const cold_C = until[0]!.temp_C + spec.around.plusDay_K;
  const proposal = switchOn(
    spec,
    {
      outside_C: until.map((h) => h.temp_C),
      sun_W_m2: until.map((h) => h.sun_W_m2),
      floor_C: until.map(() => floor_C),
      night: until.map((h) => (coverOn(h.hour) ? 1 : 0)),
    },
    until[0]!.hour,
    until.length,
    set_C,
    [cold_C, cold_C, cold_C],
  );
  const at = until[proposal?.at_h ?? 0]!;
  return { proposal, day: at.day, hour: at.hour, sowDay };
}

function nextSowing(season: Season, placeId: number): number | null {
  let first: number | null = null;
  for (const { batch, state, progress } of season.batches) {
    if (state.phase !== 'planned' || batch.plan.places.germinate !== placeId || progress.forecast.kind !== 'chain')
      continue;
    const sow = milestoneOf(progress.forecast, 'sow')?.day;
    if (sow !== undefined && sow >= season.now.today) first = Math.min(first ?? Infinity, sow);
  }
  return first;
}
