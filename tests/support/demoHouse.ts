import { USUAL_PACE, USUAL_PLANNING } from '../../src/core/plan/placement/planning.ts';
import { USUAL_UP_frac } from '../../src/core/germination/usual.ts';
import { DEMO_NURSERY, DEMO_OUTSIDE, DEMO_PLACES, DEMO_TODAY, USUAL_CONTAINERS } from '../../simulators/demoBooks.ts';
import { demoSeason } from '../../simulators/demoSeason.ts';
import { reduceLog } from '../../src/core/batch/reduce.ts';
import { requireDay } from '../../src/core/calendar/dayNumber.ts';
import type { BatchPlan } from '../../src/core/plan/batchPlan.ts';
import { USUAL_WEIGHTS } from '../../src/core/plan/placement/instance.ts';
import { climateStart } from '../../src/core/plan/schedule/placeClimate.ts';
import type { SeasonSent } from '../../src/contracts/plan/planner.ts';
import type { HouseData, SeasonBatch } from '../../src/contracts/plan/seasonData.ts';
import { crops } from '../references/library.ts';

/** The demo nursery as the season's screens get it, without a server. */
export function demoHouse(): SeasonSent {
  const today = requireDay(DEMO_TODAY);
  const numbered = crops.map((crop, i) => ({ ...crop, id: i + 1 }));
  const house: HouseData = {
    today,
    seasonLabel: '2027',
    tablesFrom: climateStart(today),
    tableDays: 4 * 366,
    unit: 'C',
    lastFrost: DEMO_NURSERY.lastFrost,
    frost: null,
    firstFrost: DEMO_NURSERY.firstFrost,
    spare_frac: DEMO_NURSERY.spare_frac,
    offHeat: DEMO_NURSERY.offHeat,
    outside: DEMO_OUTSIDE,
    latitude_deg: DEMO_NURSERY.latitude_deg,
    knownOutside: [],
    coolSchool: DEMO_NURSERY.coolSchool,
    coolMost_C: DEMO_NURSERY.coolMost_C,
    weights: USUAL_WEIGHTS,
    planning: USUAL_PLANNING,
    pace: USUAL_PACE,
    crops: numbered,
    varieties: [],
    lots: [],
    grown: [],
    seasons: [{ id: 1, name: '2027' }],
    places: DEMO_PLACES.map((place) => ({ ...place, version: 1 })),
    containers: USUAL_CONTAINERS,
    covers: [],
    programmes: [],
    siteDays: null,
  };
  const batches = demoSeason(numbered).map((made, i): SeasonBatch => {
    const events = made.events.map((event, j) => ({ ...event, id: j + 1, correctsId: null, snapshot: null }));
    const { state } = reduceLog(events);
    return {
      id: i + 1,
      version: 1,
      code: `B${i + 1}`,
      name: `${made.crop} ${made.variety} ${i + 1}`,
      varietyId: null,
      cropId: numbered.find((crop) => crop.name === made.crop)!.id,
      plan: made.plan,
      pinned: false,
      familyId: null,
      seasonId: 1,
      state,
      coming_frac: USUAL_UP_frac,
      weather: null,
    };
  });
  return { house, batches };
}

/** A season with some plans changed. */
export function withPlans(sent: SeasonSent, change: (batch: SeasonBatch) => Partial<BatchPlan> | null): SeasonSent {
  return {
    ...sent,
    batches: sent.batches.map((batch) => {
      const part = change(batch);
      return part ? { ...batch, plan: { ...batch.plan, ...part } } : batch;
    }),
  };
}
