import type { LightChoice } from '../../core/plan/schedule/lightChoices.ts';

/** A hot bed as its page shows it. Days are day numbers, temperatures degrees Celsius. */
export interface HotBedView {
  readonly placeId: number;
  /** Day its heap was built, or was planned to be; null: none stands. */
  readonly built: number | null;
  /** Day of the next heap. */
  readonly buildOn: number | null;
  readonly peakOn: number;
  /** Times the usual heat of such a heap, by its readings. */
  readonly factor: number;
  readonly readings: number;
  /** Depth once it has sunk. */
  readonly sunk_m: number;
  /** Least medium that what is sown there wants; null: nothing is. */
  readonly least_C: number | null;
  /** Air under the shut lid tonight. */
  readonly underLid_C: number;
  readonly days: readonly { readonly day: number; readonly day_C: number; readonly night_C: number }[];
  readonly orders: readonly string[];
}

/** What another light in a place would change, with its price. */
export interface LightPrice {
  readonly key: LightChoice['key'];
  readonly lamps_h: number;
  readonly batches: number;
  /** Days later (below 0: sooner) the middle batch would be ready; Infinity: never. */
  readonly days: number;
  /** The batch it moves most, and the month in which it is ready now. */
  readonly most: { readonly name: string; readonly days: number; readonly month: number };
  readonly lamps_kWh: number;
  readonly heat_kWh: number;
  readonly money: number;
}
