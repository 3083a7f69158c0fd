import type { Crop, Place, PlaceKind, Stage } from '../model.ts';
import type { SeasonTables } from './seasonTables.ts';
import { temperatureOn } from './placeClimate.ts';

const KINDS: Readonly<Record<Stage, readonly PlaceKind[]>> = {
  germinate: ['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame'],
  grow: ['lit-chamber', 'bench', 'house', 'frame'],
  pot: ['bench', 'house', 'frame', 'ground'],
  space: ['bench', 'house', 'frame', 'ground'],
  harden: ['frame', 'ground', 'house'],
};

/** Whether a kind of place will do for a stage: seed that wants light does not go into the dark, plants never. */
export function suitsStage(place: Pick<Place, 'kind' | 'lit'>, stage: Stage, crop: Pick<Crop, 'light'>): boolean {
  if (!KINDS[stage].includes(place.kind)) return false;
  if (stage === 'germinate') return place.lit || crop.light !== 'light';
  return place.lit;
}

/** A place with how well its temperature on a day fits a stage of a crop; lower misfit is better, in kelvin. */
export interface PlaceFit {
  readonly placeId: number;
  readonly name: string;
  readonly day_C: number;
  readonly night_C: number;
  readonly misfit_K: number;
  /** Inside the crop's range for the stage. */
  readonly inRange: boolean;
}

/** Places of a suitable kind, best fitting first. */
export function placesForStage(tables: SeasonTables, crop: Crop, stage: Stage, day: number): PlaceFit[] {
  const fits: PlaceFit[] = [];
  for (const place of tables.places.values()) {
    if (!suitsStage(place, stage, crop)) continue;
    const { day_C, night_C } = temperatureOn(tables.climateOf(place.id), day);
    const target = stage === 'germinate' ? crop.germBest_C : (crop.growDay_C + crop.growNight_C) / 2;
    const range = stageRange(crop, stage);
    const mean = (day_C + night_C) / 2;
    fits.push({
      placeId: place.id,
      name: place.name,
      day_C,
      night_C,
      // Hardening wants the airiest place; a frame before open ground before a house.
      misfit_K: stage === 'harden' ? KINDS.harden.indexOf(place.kind) : Math.abs(mean - target),
      inRange: night_C >= range.low_C && day_C <= range.high_C,
    });
  }
  return fits.sort((a, b) => Number(b.inRange) - Number(a.inRange) || a.misfit_K - b.misfit_K || a.placeId - b.placeId);
}

/** Lowest night a plant of the hardiness stands when grown on or hardened. @source common practice, no source */
const NIGHT_FLOOR_C: Readonly<Record<Crop['hardiness'], number>> = {
  hardy: -4,
  'half-hardy': 0,
  tender: 4,
  tropical: 10,
};
/** Above this by day young plants suffer. @source common practice, no source */
const DAY_CEILING_C = 35;

/** Temperatures a stage may have without a warning, degrees Celsius. */
export function stageRange(crop: Crop, stage: Stage): { low_C: number; high_C: number } {
  if (stage === 'germinate') return { low_C: crop.germMin_C, high_C: crop.germMax_C };
  const floor = NIGHT_FLOOR_C[crop.hardiness];
  if (stage === 'harden')
    return {
      low_C: crop.hardiness === 'tropical' ? 8 : floor,
      high_C: DAY_CEILING_C,
    };
  return {
    low_C: Math.max(floor, Math.min(crop.base_C, crop.growNight_C - 6)),
    high_C: DAY_CEILING_C,
  };
}
