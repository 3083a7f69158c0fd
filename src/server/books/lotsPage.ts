import { inUse } from '../../core/books/inUse.ts';
import type { LotRecord } from '../../core/books/records.ts';
import { cardinalFit } from '../../core/germination/cardinalFit.ts';
import { learnedFor } from '../../core/germination/learned.ts';
import { ageOfLot } from '../../core/germination/lotAge.ts';
import type { Season } from '../../core/plan/season.ts';
import { timesLotsWereSown } from '../batch/ledger.ts';
import { emergenceOf } from '../germination/emergence.ts';
import { keptTraysOf } from '../germination/keptTrays.ts';

/** The lots in use with what their age and the house's trays say of them, by crop and variety, the newest first. */
export async function lotLines({ world, now, taught }: Season) {
  const sownOf = await timesLotsWereSown();
  return inUse(world.lots)
    .map((lot) => {
      const variety = world.varieties.find((one) => one.id === lot.varietyId)!;
      const crop = world.crops.find((one) => one.id === variety.cropId)!;
      const learned = learnedFor(taught, { cropId: crop.id, varietyId: variety.id, lotId: lot.id }, lot);
      return { lot, variety, crop, learned, age: ageOfLot(lot, crop, now.today), sown: sownOf.get(lot.id) ?? 0 };
    })
    .sort(
      (a, b) =>
        a.crop.name.localeCompare(b.crop.name) || a.variety.name.localeCompare(b.variety.name) || b.lot.id - a.lot.id,
    );
}

/** A lot's own trays as a trial: half-up time at the temperature each stood in, those of closed seasons and years before as well. */
export async function trialOfLot(season: Season, lot: LotRecord) {
  const trays = season.batches
    .filter((view) => view.batch.lotId === lot.id)
    .flatMap((view) => emergenceOf(season, view) ?? [])
    .filter((data) => data.temperature_C !== null && data.indices.up >= 3)
    .sort((a, b) => a.temperature_C! - b.temperature_C!);
  const kept = await keptTraysOf(season, lot.id);
  const trial = cardinalFit([
    ...trays.map((data) => ({ temperature_C: data.temperature_C!, t50_days: data.indices.t50Farooq_days })),
    ...kept.map(({ temperature_C, half_days }) => ({ temperature_C, t50_days: half_days })),
  ]);
  return { trays, kept, trial };
}
