import { requireDay } from '../src/core/calendar/dayNumber.ts';
import { libraryCrops, type NurserySeed } from '../src/server/setup.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE, DEMO_PLACES, DEMO_TODAY, USUAL_CONTAINERS } from '../simulators/demoBooks.ts';
import { demoSeason } from '../simulators/demoSeason.ts';

/** The demo nursery in mid-season. */
export async function demoSeed(): Promise<NurserySeed> {
  return {
    nursery: { ...DEMO_NURSERY, outside: [...DEMO_OUTSIDE] },
    demoToday: requireDay(DEMO_TODAY),
    places: DEMO_PLACES,
    containers: USUAL_CONTAINERS,
    batches: demoSeason(await libraryCrops()),
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
    places: [],
    containers: USUAL_CONTAINERS,
    batches: [],
  };
}
