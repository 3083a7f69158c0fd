import type { Crop } from '../books/crop.ts';

/** Distances in the ground. */
export interface Spacing {
  readonly plant_cm: number;
  readonly row_cm: number;
}

/** Distances of a crop: the house's own, else those of the crop book. */
export function spacingOf(
  crop: Pick<Crop, 'name' | 'inRow_cm' | 'rows_cm'>,
  own: Readonly<Record<string, Spacing>> = {},
): Spacing {
  return own[crop.name] ?? { plant_cm: crop.inRow_cm, row_cm: crop.rows_cm };
}

/** Ground that plants take, m2. */
export function ground_m2(plants: number, { plant_cm, row_cm }: Spacing): number {
  return (plants * plant_cm * row_cm) / 10_000;
}
