import type { Versioned } from '../books/records.ts';
import type { Feed } from './feed.ts';
import type { MixPart, MixRecipe } from './mix.ts';
import type { StockKind, StockUnit } from './stock.ts';

/** Something kept in stock. */
export interface StockItem extends MixPart {
  readonly kind: StockKind;
  readonly unit: StockUnit;
  /** The container it is; null: none. */
  readonly containerId: number | null;
  /** Less than this is to be bought again. */
  readonly least: number;
  /** Of a pack, in the nursery's money; null: not known. */
  readonly price: number | null;
  /** The feed of the book it is; null or not given: none. */
  readonly feedId?: number | null;
  /** Of a part: share of its volume that is water between drained and wilting; null or not given: the usual. */
  readonly held_frac?: number | null;
}

export type StockItemRecord = Versioned<StockItem>;
export type MixRecord = Versioned<MixRecipe & { readonly note: string }>;
export type FeedRecord = Versioned<Feed & { readonly id: number; readonly note: string }>;
