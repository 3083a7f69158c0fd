import { plainCropOf } from '../../core/books/cropOf.ts';
import { leggyOnHeat, type Leggy } from '../../core/growth/leggy.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';

/** What too long on the heat does to a batch that is up; null when it is not up, or off the heat. */
export function leggyOf({ world, now, tables }: Season, { state, batch }: BatchView): Leggy | null {
  const half = state.facts['half-up'];
  const place = world.places.find((p) => p.id === state.placeId);
  if (half === undefined || state.facts['off-heat'] !== undefined || state.phase !== 'emerged' || !place) return null;
  const { day_C, night_C } = temperatureOn(tables.climateOf(place.id), now.today);
  const light = tables.skyOf(place.id)?.light_mol_m2[now.today - tables.from];
  const crop = plainCropOf(world, batch);
  if (light === undefined) return null;
  return leggyOnHeat({
    light_mol_m2: light,
    mean_C: (day_C + night_C) / 2,
    base_C: crop.base_C,
    daysSinceHalfUp: now.today - half,
  });
}
