import { WORDS } from '../../words/en/potting/stockCore.ts';
export const STOCK_KINDS = ['pot', 'tray', 'part', 'label', 'feed'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
export const STOCK_WORDS: Readonly<Record<StockKind, string>> = {
  pot: WORDS.pots,
  tray: WORDS.trays,
  part: WORDS.mixAndItsParts,
  label: WORDS.labels,
  feed: WORDS.feed,
};
export const STOCK_UNITS = ['pieces', 'L', 'g', 'mL'] as const;
export type StockUnit = (typeof STOCK_UNITS)[number];

/** A line of the stock's log. A count says what there is; all else adds or takes away. Oldest first. */
export interface StockMove {
  readonly id: number;
  readonly kind: 'count' | 'in' | 'used' | 'corrected';
  /** What there is for a count; else more (above 0) or less. */
  readonly amount: number;
}

export interface OnHand {
  readonly amount: number;
  /** Below nothing: something was not counted or not logged. */
  readonly check: boolean;
  readonly counted: boolean;
}

/** What is on hand by the log. A count replaces all before it. */
export function onHand(moves: readonly StockMove[]): OnHand {
  let amount = 0;
  let counted = false;
  for (const move of moves) {
    amount = move.kind === 'count' ? move.amount : amount + move.amount;
    counted ||= move.kind === 'count';
  }
  const round = Math.round(amount * 1000) / 1000;
  return { amount: round, check: round < 0, counted };
}

export interface ToBuy {
  readonly amount: number;
  /** Whole packs; null when the size of a pack is not known. */
  readonly packs: number | null;
}

/** What to buy so that after all that is needed the least stock is left. */
export function toBuy(need: number, have: number, least: number, pack: number): ToBuy {
  const amount = Math.max(0, need + least - have);
  return { amount, packs: pack > 0 ? Math.max(0, Math.ceil(amount / pack - 1e-9)) : null };
}
