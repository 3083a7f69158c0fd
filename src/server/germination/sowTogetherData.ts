import { inUse } from '../../core/books/inUse.ts';
import { startOf } from '../../core/plan/schedule/chain.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { SowTogetherData } from '../../contracts/germination/sowTogether.ts';
import type { Season } from '../../core/plan/season.ts';

/** How far ahead sowings are grouped. */
const AHEAD_DAYS = 84;

/** Lots still to be sown in the coming weeks, and the places they could come up in. */
export function sowTogetherData({ world, now, tables, batches, crops }: Season): SowTogetherData {
  const lots = batches
    .filter(({ state, batch }) => state.phase === 'planned' && !batch.plan.joins)
    .flatMap(({ batch, name, progress, work }) => {
      if (progress.forecast.kind !== 'chain') return [];
      const sow = startOf(progress.forecast);
      const trays = work.find((job) => job.kind === 'sow')?.trays ?? 0;
      return [{ id: batch.id, name, code: batch.code, cropId: batch.cropId, trays, sowOn: sow.day }];
    })
    .filter((lot) => lot.sowOn <= now.today + AHEAD_DAYS)
    .sort((a, b) => a.sowOn - b.sowOn);
  const needed = new Set(lots.map((lot) => lot.cropId));
  const { temperatureUnit: unit, coolSchool, coolMost_C } = world.nursery;
  return {
    today: now.today,
    unit,
    coolSchool,
    coolMost_C,
    lots,
    crops: crops.filter((crop) => needed.has(crop.id)).map(({ version: _version, ...crop }) => crop),
    chambers: inUse(world.places)
      .filter((place) => ['dark-chamber', 'lit-chamber', 'bench'].includes(place.kind))
      .map((place) => ({
        id: place.id,
        name: place.name,
        lit: place.lit,
        levels_C: place.temperature?.kind === 'set-point' ? [...place.temperature.levels_C] : [],
        now_C: temperatureOn(tables.climateOf(place.id), now.today).day_C,
      })),
  };
}
