import { isInUse } from '../../books/inUse.ts';
import { bandsOf, coldestNight_C, mayStandIn, type BandFigures } from '../../growth/bands.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place, PlaceKind } from '../../books/place.ts';
import type { Stage } from '../stage.ts';
import type { SeasonTables } from './seasonTables.ts';
import { temperatureOn } from './placeClimate.ts';

const KINDS: Readonly<Record<Stage, readonly PlaceKind[]>> = {
  germinate: ['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame'],
  grow: ['lit-chamber', 'bench', 'house', 'frame'],
  pot: ['bench', 'house', 'frame', 'ground'],
  space: ['bench', 'house', 'frame', 'ground'],
  harden: ['frame', 'ground', 'house'],
};

/**
 * Whether a kind of place will do for a stage: seed that wants light does not go into the dark, plants never; frames and
 * standing ground are for hardening, and sooner for crops whose book says so.
 */
export function suitsStage(
  place: Pick<Place, 'kind' | 'lit'>,
  stage: Stage,
  crop: Pick<Crop, 'light' | 'hardiness' | 'openAirFrom'>,
): boolean {
  if (!KINDS[stage].includes(place.kind) || !mayStandIn(place.kind, stage, crop)) return false;
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
  /** Inside what the crop bears in the stage, and not under the night that checks it. */
  readonly inRange: boolean;
}

/** Places of a suitable kind, best fitting first. */
export function placesForStage(tables: SeasonTables, crop: Crop, stage: Stage, day: number): PlaceFit[] {
  const fits: PlaceFit[] = [];
  for (const place of tables.places.values()) {
    if (!isInUse(place) || !suitsStage(place, stage, crop)) continue;
    const { day_C, night_C } = temperatureOn(tables.climateOf(place.id), day);
    const target = stage === 'germinate' ? crop.germBest_C : (crop.growDay_C + crop.growNight_C) / 2;
    const bands = bandsOf(crop, stage);
    const mean = (day_C + night_C) / 2;
    fits.push({
      placeId: place.id,
      name: place.name,
      day_C,
      night_C,
      // Hardening wants the airiest place; a frame before open ground before a house.
      misfit_K: stage === 'harden' ? KINDS.harden.indexOf(place.kind) : Math.abs(mean - target),
      inRange: night_C >= coldestNight_C(bands) && day_C <= bands.bearsHigh_C,
    });
  }
  return fits.sort((a, b) => Number(b.inRange) - Number(a.inRange) || a.misfit_K - b.misfit_K || a.placeId - b.placeId);
}

/** Temperatures a stage may have without a warning, degrees Celsius: what the crop bears. */
export function stageRange(crop: BandFigures, stage: Stage): { low_C: number; high_C: number } {
  const { bearsLow_C, bearsHigh_C } = bandsOf(crop, stage);
  return { low_C: bearsLow_C, high_C: bearsHigh_C };
}
