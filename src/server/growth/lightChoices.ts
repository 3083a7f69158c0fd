import { isOver } from '../../core/batch/event.ts';
import { civilFromDay } from '../../core/calendar/dayNumber.ts';
import type { Place } from '../../core/books/place.ts';
import { heatMoney } from '../../core/plan/placement/energy.ts';
import { heatOfPlace } from '../../core/plan/placement/reckon.ts';
import { startOf } from '../../core/plan/schedule/chain.ts';
import {
  lampsPerDay_kWh,
  lightChoices,
  readyUnder,
  SECOND_FILM_LEFT,
  withPlaceOf,
  type LitBatch,
} from '../../core/plan/schedule/lightChoices.ts';
import { seasonTables } from '../../core/plan/schedule/seasonTables.ts';
import { horizonDays, roomUsed } from '../../core/plan/schedule/roomUse.ts';
import type { LightPrice } from '../../contracts/heat/heatViews.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { tablesBy, type Season } from '../../core/plan/season.ts';

/** What other light in a place would change for what stands or will stand there, with its price. Empty where nothing will. */
export function lightPrices(season: Season, place: Place): LightPrice[] {
  const { now, world, tables } = season;
  const { offHeat, weights } = world.nursery;
  const there = season.batches.flatMap((view) => {
    const { forecast } = view.progress;
    const { places } = view.batch.plan;
    const stands = [places.grow, places.pot, places.space].includes(place.id);
    if (!stands || isOver(view.state.phase) || forecast.kind !== 'chain' || view.state.facts.harden !== undefined)
      return [];
    const { plan } = view.batch;
    const batch: LitBatch = { crop: cropOf(season, view.batch), plan, state: view.state, sowOn: startOf(forecast).day };
    const ready_t = readyUnder(batch, tables, offHeat, now.today);
    return ready_t === null ? [] : [{ name: view.name, batch, ready_t }];
  });
  if (there.length === 0) return [];
  const stands = season.batches.flatMap((view) => view.progress.stands);
  const used = roomUsed(stands, now.today, horizonDays(stands, now.today)).get(place.id);
  const daysUsed = used?.reduce((sum, slots) => sum + (slots > 0 ? 1 : 0), 0) ?? 0;
  const heat = heatOfPlace(place, tables, used, now.today);
  return lightChoices(place).map((choice): LightPrice => {
    const changed = { ...place, light: choice.light };
    const other = withPlaceOf(
      tables,
      seasonTables([changed], tables.from, tables.days, tablesBy(season, tables.from)),
      place.id,
    );
    const moved = there.map(({ name, batch, ready_t }) => {
      const then_t = readyUnder(batch, other, offHeat, now.today);
      return {
        name,
        days: then_t === null ? Infinity : then_t - ready_t,
        month: civilFromDay(Math.floor(ready_t)).month,
      };
    });
    const sorted = moved.map((m) => m.days).sort((a, b) => a - b);
    const most = moved.reduce((a, b) => (Math.abs(b.days) > Math.abs(a.days) ? b : a));
    const film =
      choice.key === 'film-on' ? SECOND_FILM_LEFT - 1 : choice.key === 'film-off' ? 1 / SECOND_FILM_LEFT - 1 : 0;
    const share = place.kind === 'house' ? film : 0;
    const lamps_kWh = lampsPerDay_kWh(choice.light, place.room_trays, choice.lamps_h) * daysUsed;
    return {
      key: choice.key,
      lamps_h: choice.lamps_h,
      batches: there.length,
      days: sorted[sorted.length >> 1]!,
      most,
      lamps_kWh,
      heat_kWh: share * heat.heat_kWh,
      money: lamps_kWh * weights.heat_perkWh + share * heatMoney(heat, weights),
    };
  });
}
