import type { Crop } from '../books/crop.ts';
import { degreeDaysOfHours, lightFactor } from './growthRate.ts';
import { POTTING_CHECK_DAYS, stageSums, type StageSums } from './stageSums.ts';

/** Days from half up to potting and to the first hardening day. */
export interface StageDays {
  /** null: not potted, or never large enough. */
  readonly pot_days: number | null;
  /** null: never ready. */
  readonly ready_days: number | null;
  readonly sums: StageSums;
  /** Of the first day, by its warmth alone. */
  readonly firstDay_degreeDays: number;
  /** What the light makes of it. */
  readonly light_factor: number;
}

/** Nothing is followed for longer: what is not ready in five years never is. */
const LONGEST_days = 5 * 365;

/**
 * How long a crop takes from half up in a run of hours, begun again when it runs out.
 * @param hours_C temperature of each hour, a whole number of days
 * @param light_mol_m2 daily light, the same each day
 * @throws RangeError unless there are 24 hours or a multiple of them
 */
export function stageDays(
  crop: Crop,
  hours_C: ArrayLike<number>,
  light_mol_m2: number,
  potted = crop.potted,
): StageDays {
  const days = hours_C.length / 24;
  if (!(Number.isInteger(days) && days >= 1))
    throw new RangeError(`${hours_C.length} hours; there must be 24 or a multiple of them`);
  const warmth = Array.from({ length: days }, (_, d) =>
    degreeDaysOfHours(
      crop,
      Array.from({ length: 24 }, (_hour, h) => hours_C[24 * d + h]!),
    ),
  );
  const light_factor = lightFactor(light_mol_m2, crop.dliGood);
  const gains = warmth.map((w) => w * light_factor);
  const after = (start: number, need: number): number | null => {
    let left = need;
    for (let t = start; t < LONGEST_days;) {
      const to = Math.floor(t) + 1;
      const gain = gains[Math.floor(t) % days]!;
      if (gain * (to - t) >= left) return left <= 0 ? t : t + left / gain;
      left -= gain * (to - t);
      t = to;
    }
    return null;
  };
  const sums = stageSums(crop, potted);
  const pot_days = sums.pot_degreeDays === null ? null : after(0, sums.pot_degreeDays);
  const ready_days =
    sums.pot_degreeDays === null
      ? after(0, sums.ready_degreeDays)
      : pot_days === null
        ? null
        : after(pot_days + POTTING_CHECK_DAYS, sums.ready_degreeDays - sums.pot_degreeDays);
  return {
    pot_days,
    ready_days,
    sums,
    firstDay_degreeDays: warmth[0]!,
    light_factor,
  };
}
