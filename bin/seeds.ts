import { requireDay } from '../src/core/calendar/dayNumber.ts';
import { libraryCrops } from './libraryCrops.ts';
import type { NurserySeed } from './setUp.ts';
import { DEMO_STOCK, USUAL_STOCK } from '../simulators/demoPotting.ts';
import { DEMO_YEARS, demoWeather } from '../simulators/demoWeather.ts';
import {
  DEMO_NURSERY,
  DEMO_OUTSIDE,
  DEMO_PEOPLE,
  DEMO_PLACES,
  DEMO_TODAY,
  USUAL_CONTAINERS,
} from '../simulators/demoBooks.ts';
import { morningOf } from '../src/server/clock.ts';
import { DEMO_COVERS, demoReadings, USUAL_COVERS } from '../simulators/demoPlanting.ts';
import { DEMO_ZONES, demoReadings as benchReadings, demoSeasonHours } from '../simulators/demoHeat.ts';
import { DEMO_AIR, DEMO_SCALES, demoWater } from '../simulators/demoWater.ts';
import { DEMO_PHOTOS } from '../simulators/demoPhotos.ts';
import { DEMO_JOBS } from '../simulators/demoJobs.ts';
import { demoLastSeason, demoSeason } from '../simulators/demoSeason.ts';

/** Days of readings every ten minutes; before that by the hour. */
const FINE_days = 6;

/** The demo nursery in mid-season. */
export async function demoSeed(): Promise<NurserySeed> {
  const crops = await libraryCrops();
  const end_ms = morningOf(requireDay(DEMO_TODAY), DEMO_NURSERY.timeZone);
  // Last season's come after, so that this season's have the lower numbers.
  const batches = [...demoSeason(crops), ...demoLastSeason(crops)];
  return {
    nursery: { ...DEMO_NURSERY, outside: [...DEMO_OUTSIDE] },
    demoToday: requireDay(DEMO_TODAY),
    people: DEMO_PEOPLE,
    places: DEMO_PLACES,
    containers: USUAL_CONTAINERS,
    potting: DEMO_STOCK,
    covers: DEMO_COVERS,
    readings: demoReadings(),
    weather: { name: 'Underholt, the nursery’s own screen', days: demoWeather(DEMO_YEARS.from, DEMO_YEARS.to) },
    batches,
    houseJobs: DEMO_JOBS,
    photos: DEMO_PHOTOS,
    water: demoWater(batches),
    air: DEMO_AIR,
    scales: DEMO_SCALES,
    heat: {
      zones: DEMO_ZONES,
      // The benches themselves send the last hour.
      readings: benchReadings(end_ms - 3_600_000, FINE_days),
      hours: demoSeasonHours(
        morningOf(requireDay('2027-02-01'), DEMO_NURSERY.timeZone),
        end_ms - FINE_days * 86_400_000,
      ),
    },
  };
}

/** A nursery with the crop library and usual containers, nothing else. */
export function emptySeed(): NurserySeed {
  return {
    nursery: {
      ...DEMO_NURSERY,
      name: 'My nursery',
      placeName: '',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
    demoToday: null,
    people: [],
    places: [],
    containers: USUAL_CONTAINERS,
    potting: USUAL_STOCK,
    covers: USUAL_COVERS,
    batches: [],
  };
}
