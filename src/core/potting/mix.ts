import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/potting/mix.ts';

/** A potting mix by parts. Parts are measured loose, by volume. */
export interface MixRecipe {
  readonly id: number;
  readonly name: string;
  readonly parts: readonly { readonly itemId: number; readonly parts: number }[];
}

/** A thing a mix is made of, as it is bought. */
export interface MixPart {
  readonly id: number;
  readonly name: string;
  /** Litres of a bag. */
  readonly pack: number;
}

/** More than the pots hold. Shares of the volume. */
export interface FillMore {
  /** Mix sinks when it is watered and pressed. */
  readonly settle_frac: number;
  /** What falls beside and stays in the bag. */
  readonly waste_frac: number;
}

/** Litres of loose mix for litres in the pots. */
export function loose_L(potted_L: number, { settle_frac, waste_frac }: FillMore): number {
  requireRange('litres', potted_L, 0, 1e7);
  requireRange('settling', settle_frac, 0, 1);
  requireRange('waste', waste_frac, 0, 1);
  return potted_L * (1 + settle_frac) * (1 + waste_frac);
}

/** A part of a mix to be made up, and the bags to open for it. */
export interface PartNeed {
  readonly itemId: number;
  readonly name: string;
  readonly litres: number;
  /** null: the size of a bag is not known. */
  readonly bags: number | null;
  readonly left_L: number | null;
}

/**
 * What to measure out for so many litres of each mix, each part added up over the mixes that hold it, and whole bags.
 * @throws RangeError when the parts of a recipe add up to nothing
 */
export function partsFor(
  needs: readonly { readonly recipe: MixRecipe; readonly litres: number }[],
  items: ReadonlyMap<number, MixPart>,
): PartNeed[] {
  const litres = new Map<number, number>();
  for (const need of needs) {
    const sum = need.recipe.parts.reduce((all, part) => all + part.parts, 0);
    if (!(sum > 0)) throw new RangeError(WORDS.thePartsOfAddUp(need.recipe.name));
    for (const { itemId, parts } of need.recipe.parts)
      if (parts > 0) litres.set(itemId, (litres.get(itemId) ?? 0) + (need.litres * parts) / sum);
  }
  return [...litres].map(([itemId, need]) => {
    const item = items.get(itemId);
    const bag = item && item.pack > 0 ? item.pack : null;
    // A trace over whole bags, from rounding, opens no other.
    const bags = bag === null ? null : Math.ceil(need / bag - 1e-9);
    return {
      itemId,
      name: item?.name ?? WORDS.aThingNoLongerIn,
      litres: need,
      bags,
      left_L: bag === null ? null : bags! * bag - need,
    };
  });
}
