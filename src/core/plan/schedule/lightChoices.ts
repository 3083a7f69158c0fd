import { checksOf, planAsItStands, type ChainState } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { GLAZING } from '../../heat/structure.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Place, PlaceLight } from '../../books/place.ts';
import { forwardChain } from './forward.ts';
import type { SeasonTables } from './seasonTables.ts';
import { usualLight } from './sky.ts';

/** Another way to light a place. */
export interface LightChoice {
  readonly key: 'lamps-new' | 'lamps-more' | 'lamps-less' | 'film-on' | 'film-off' | 'shade-off';
  readonly light: PlaceLight;
  /** Hours of lamps more (or less) a day. */
  readonly lamps_h: number;
}

const STEP_h = 2;

/** What could be changed about a place's light, by what is there. Lamps run at most 18 hours: plants want a night (common practice, no source). */
export function lightChoices(place: Pick<Place, 'kind' | 'light'>): LightChoice[] {
  const light = place.light ?? usualLight(place);
  const choices: LightChoice[] = [];
  const { lamps_umol_m2_s, lamps_h, secondFilm, shade_frac } = light;
  if (lamps_umol_m2_s > 0) {
    if (lamps_h + STEP_h <= MOST_LAMPS_h)
      choices.push({ key: 'lamps-more', light: { ...light, lamps_h: lamps_h + STEP_h }, lamps_h: STEP_h });
    if (lamps_h >= STEP_h)
      choices.push({ key: 'lamps-less', light: { ...light, lamps_h: lamps_h - STEP_h }, lamps_h: -STEP_h });
  } else if (place.kind !== 'ground' && place.kind !== 'dark-chamber') {
    choices.push({ key: 'lamps-new', light: { ...light, ...NEW_LAMPS }, lamps_h: NEW_LAMPS.lamps_h });
  }
  if (takesSecondFilm(place))
    choices.push({
      key: secondFilm ? 'film-off' : 'film-on',
      light: { ...light, secondFilm: !secondFilm },
      lamps_h: 0,
    });
  if (shade_frac > 0) choices.push({ key: 'shade-off', light: { ...light, shade_frac: 0 }, lamps_h: 0 });
  return choices;
}
const MOST_LAMPS_h = 18;
/** Lamps that lengthen a dull day. Common practice, no source. */
export const NEW_LAMPS = { lamps_umol_m2_s: 100, lamps_h: 6 } as const;

/** A standard tray, m2. */
const TRAY_m2 = 0.53 * 0.33;
/** Light of horticultural LED lamps for a joule of mains. Common practice, no source; fluorescent tubes give less than half. */
const LAMPS_umol_J = 2.3;

/** What so many hours of a place's lamps take a day over all its room, kWh. */
export function lampsPerDay_kWh(light: PlaceLight, room_trays: number, hours: number): number {
  return (light.lamps_umol_m2_s * room_trays * TRAY_m2 * hours) / LAMPS_umol_J / 1000;
}

/** Share of a house's heat left under a second film: by the losses of single and double film. @source structure.ts */
export const SECOND_FILM_LEFT = GLAZING['double-film'].u_W_m2K / GLAZING['single-film'].u_W_m2K;

/** Whether a place has glazing over which a second film could lie. */
export function takesSecondFilm(place: Pick<Place, 'kind' | 'light'>): boolean {
  return place.kind !== 'ground' && (place.light ?? usualLight(place)).through_frac > 0;
}

/**
 * A place with a second film over it, or without: its light, and for a house what it loses for a kelvin.
 * A place that has none to be changed comes back as it is.
 */
export function withSecondFilm<P extends Pick<Place, 'kind' | 'light' | 'temperature'>>(place: P, film: boolean): P {
  const light = place.light ?? usualLight(place);
  if (!takesSecondFilm(place) || light.secondFilm === film) return place;
  const changed: P = { ...place, light: { ...light, secondFilm: film } };
  const { temperature } = place;
  if (place.kind !== 'house' || temperature?.kind !== 'set-point') return changed;
  const left = film ? SECOND_FILM_LEFT : 1 / SECOND_FILM_LEFT;
  return { ...changed, temperature: { ...temperature, loss_W_per_K: temperature.loss_W_per_K * left } };
}

/** A batch as far as its light goes. */
export interface LitBatch {
  readonly crop: Crop;
  readonly plan: BatchPlan;
  readonly state: ChainState;
  readonly sowOn: DayNumber;
}

/**
 * When a batch is ready for its first hardening day under other tables, sown on the same day, with what was logged.
 * @returns a time in days; null when it is never ready
 */
export function readyUnder(
  { crop, plan, state, sowOn }: LitBatch,
  tables: SeasonTables,
  offHeat: OffHeatRule,
  today: DayNumber,
): number | null {
  const chain = forwardChain({
    crop,
    plan: planAsItStands(plan, state),
    offHeat,
    tables,
    sowOn,
    facts: state.facts,
    today,
    waitForDate: false,
    checks: checksOf(state),
  });
  return chain.kind === 'chain' ? chain.ready_t : null;
}

/** Tables with one place of others: all the rest is as it was and need not be worked out again. */
export function withPlaceOf(tables: SeasonTables, other: SeasonTables, placeId: number): SeasonTables {
  const from = (id: number) => (id === placeId ? other : tables);
  return {
    ...tables,
    places: new Map(tables.places).set(placeId, other.places.get(placeId)!),
    climateOf: (id) => from(id).climateOf(id),
    skyOf: (id) => from(id).skyOf(id),
    skyAt: (id, set_C) => from(id).skyAt(id, set_C),
    germinationOf: (crop, id, slower) => from(id).germinationOf(crop, id, slower),
    growthOf: (crop, id) => from(id).growthOf(crop, id),
  };
}
