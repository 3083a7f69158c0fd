import { requireRange } from '../numerics/guard.ts';

/** What a kWh costs. Prices in the nursery's money. */
export type Tariff =
  | { readonly kind: 'flat'; readonly price_kWh: number }
  /** Cheap from `from_h` to `to_h`, local time; over midnight when from is after to. */
  | {
      readonly kind: 'day-night';
      readonly day_kWh: number;
      readonly night_kWh: number;
      readonly from_h: number;
      readonly to_h: number;
    };

/** Price of a kWh taken at an hour of the day. @throws RangeError for an hour out of 0..24 */
export function price_kWh(tariff: Tariff, hour: number): number {
  requireRange('hour', hour, 0, 24);
  if (tariff.kind === 'flat') return tariff.price_kWh;
  const { from_h, to_h } = tariff;
  const cheap = from_h <= to_h ? hour >= from_h && hour < to_h : hour >= from_h || hour < to_h;
  return cheap ? tariff.night_kWh : tariff.day_kWh;
}

/** Cost of hours in a row, the first at local hour `first_h`. @example costOf({kind:'flat',price_kWh:0.3},[1,2],0) // 0.9 */
export function costOf(tariff: Tariff, energy_kWh: ArrayLike<number>, first_h: number): number {
  let sum = 0;
  for (let i = 0; i < energy_kWh.length; i++) sum += energy_kWh[i]! * price_kWh(tariff, (first_h + i) % 24);
  return sum;
}

/** Mean price of a kWh of heat that runs day and night: the one price plans and lists go by. */
export function meanPrice_kWh(tariff: Tariff): number {
  let sum = 0;
  for (let hour = 0; hour < 24; hour++) sum += price_kWh(tariff, hour);
  return sum / 24;
}

/** Price of the twelve hours of night (18 to 6) as a share of the mean of all: 1 with one price. */
export function nightFactor(tariff: Tariff): number {
  let sum = 0;
  for (let hour = 18; hour < 30; hour++) sum += price_kWh(tariff, hour % 24);
  const mean = meanPrice_kWh(tariff);
  return mean > 0 ? sum / 12 / mean : 1;
}

/** Cost of hours at instants, each at the price of its own local hour: daylight saving and all. */
export function costAt(
  tariff: Tariff,
  hours: readonly { readonly at_ms: number; readonly energy_kWh: number }[],
  localHourOf: (at_ms: number) => number,
): number {
  let sum = 0;
  for (const { at_ms, energy_kWh } of hours) sum += energy_kWh * price_kWh(tariff, localHourOf(at_ms));
  return sum;
}

/** Settings of heat of a nursery to start from. The price and the factor are common practice, no source: put your own bill's. */
export const USUAL_TARIFF: Tariff = { kind: 'flat', price_kWh: 0.26 };
/** Carbon dioxide of a kWh of mains power, kg. Common practice, no source; it differs by country and year. */
export const USUAL_CO2_kg_kWh = 0.2;
