import type { Crop } from './crop.ts';
import { Derived } from '../numerics/remembered.ts';

/** Figures of a crop that a variety may have otherwise: bred for cold or heat, slow to bolt, quicker, hardier, smaller. */
export const VARIETY_FIGURES = [
  'germMin_C',
  'germBest_C',
  'germMax_C',
  'germBest_days',
  'growDay_C',
  'growNight_C',
  'growOptimum_C',
  'growCeiling_C',
  'checkNight_C',
  'comfortNight_C',
  'comfortDay_C',
  'dliLeast',
  'dliGood',
  'weeksLow',
  'weeksHigh',
  'hardening_days',
  'hardiness',
  'hardyTo_C',
  'plantSoilMin_C',
  'plantNightMin_C',
  'inRow_cm',
  'rows_cm',
  'storage_years',
  'boltCold_C',
  'boltCold_days',
  'boltWarm_C',
  'boltWarm_days',
  'boltDay_h',
] as const satisfies readonly (keyof Crop)[];

export type VarietyFigures = { readonly [K in (typeof VARIETY_FIGURES)[number]]?: Crop[K] };

const made = new Derived<object, Derived<object, object>>();

/**
 * The crop as a variety of it is: its own figures in place of the crop's. A variety that comes up quicker or slower at its best
 * does so at every temperature of the crop's table.
 * @returns the crop itself where the variety has no figures of its own; else the same object for the same two
 */
export function cropAs<C extends Crop>(crop: C, figures: VarietyFigures | null | undefined): C {
  if (!figures || Object.keys(figures).length === 0) return crop;
  const byFigures = made.get(crop, () => new Derived<object, object>());
  return byFigures.get(figures, () => {
    const slower = (figures.germBest_days ?? crop.germBest_days) / crop.germBest_days;
    const emergence =
      slower === 1
        ? crop.emergence
        : crop.emergence.map((p) => (typeof p.days === 'number' ? { ...p, days: p.days * slower } : p));
    return { ...crop, ...figures, emergence };
  }) as C;
}

/** The crop of a batch, as its variety is. @throws RangeError when there is no such crop */
export function cropOfBatch<C extends Crop>(
  {
    crops,
    varieties,
  }: {
    readonly crops: readonly C[];
    readonly varieties: readonly { readonly id: number; readonly figures?: VarietyFigures }[];
  },
  { cropId, varietyId }: { readonly cropId: number; readonly varietyId?: number | null },
): C {
  const crop = crops.find((c) => c.id === cropId);
  if (!crop) throw new RangeError(`there is no crop number ${cropId}`);
  return cropAs(crop, varietyId == null ? null : varieties.find((v) => v.id === varietyId)?.figures);
}
