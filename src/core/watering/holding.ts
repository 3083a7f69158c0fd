import type { Container } from '../books/container.ts';
import type { MixRecipe } from '../potting/mix.ts';
import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/watering/core.ts';

/** Ground of a standard tray, m2. Common practice, no source: 540 by 280 mm with its rim. */
export const TRAY_m2 = 0.54 * 0.28;

/**
 * Share of a mix's volume that is water between watered and drained, and wilting. Of peat and compost mixes 20-30% is easily had and
 * 4-10% more is held back. @source De Boodt & Verdonck 1972, Acta Hort. 26, 37-44 (from memory); pressed blocks a little more, common practice.
 * Where the parts of a mix are written down with what each holds, it is their mean by volume.
 */
export const HELD_frac = { loose: 0.28, block: 0.32 } as const;

/** Litres of mix a tray has where none are written down. Common practice, no source. */
const USUAL_L: Readonly<Record<Container['kind'], number>> = { 'seed-tray': 4, 'cell-tray': 3, block: 4.8, pot: 0.4 };

/** Surface that dries beside the top of a tray, as a share of its top: sides of blocks are bare. Common practice, no source. */
const SIDES_frac: Readonly<Record<Container['kind'], number>> = {
  'seed-tray': 0,
  'cell-tray': 0,
  block: 0.4,
  pot: 0.1,
};

/** Water a tray (or one full carrying tray of pots) holds. */
export interface Holding {
  /** Litres from drained to wilting. */
  readonly water_L: number;
  /** The same over the surface that dries, mm. */
  readonly capacity_mm: number;
  /** Surface that dries, m2. */
  readonly surface_m2: number;
  /** Its litres of mix are not written down: the usual of its kind. */
  readonly guessed: boolean;
}

/**
 * What a tray of a container holds between watered and wilting.
 * @param mat_L water a capillary mat under it holds in reach, litres a tray; 0: none
 * @param held_frac share of the loose mix's volume that is water between drained and wilting
 * @throws RangeError for a container that takes no ground
 */
export function holdingOf(
  container: Pick<Container, 'kind' | 'footprint_slots' | 'volume_L' | 'perCarryingTray'>,
  mat_L = 0,
  held_frac: number = HELD_frac.loose,
): Holding {
  const { kind, footprint_slots, volume_L, perCarryingTray } = container;
  requireRange(WORDS.area, footprint_slots * TRAY_m2, 1e-3, 10);
  requireRange(WORDS.litres, volume_L, 0, 1000);
  requireRange(WORDS.litres, mat_L, 0, 100);
  requireRange(WORDS.share, held_frac, 0.02, 0.8);
  const guessed = !(volume_L > 0);
  const each_L = guessed ? USUAL_L[kind] : volume_L;
  const mix_L = kind === 'pot' ? each_L * Math.max(1, perCarryingTray) : each_L;
  const surface_m2 = footprint_slots * TRAY_m2 * (1 + SIDES_frac[kind]);
  const pressed_frac = kind === 'block' ? HELD_frac.block - HELD_frac.loose : 0;
  const water_L = mix_L * (held_frac + pressed_frac) + mat_L;
  return { water_L, capacity_mm: water_L / surface_m2, surface_m2, guessed };
}

/** Water a mix holds by its parts, a share of its volume; parts of which it is not written down count as the usual. null: no part says. */
export function heldOfMix(
  { parts }: Pick<MixRecipe, 'parts'>,
  heldOf: (itemId: number) => number | null | undefined,
): number | null {
  const all = parts.reduce((sum, { parts: n }) => sum + n, 0);
  if (!(all > 0) || parts.every(({ itemId }) => heldOf(itemId) == null)) return null;
  return parts.reduce((sum, { itemId, parts: n }) => sum + (n / all) * (heldOf(itemId) ?? HELD_frac.loose), 0);
}
