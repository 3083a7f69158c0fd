/** One look at a zone. `undefined` = there is no such sensor; null = it gave nothing to be believed. */
export interface Sample {
  readonly at_s: number;
  readonly medium_C: number | null;
  readonly bed_C?: number | null | undefined;
  readonly air_C?: number | null | undefined;
  /** Air round the zone; the model's figure where it is not measured. */
  readonly around_C: number;
  readonly floor_C: number;
  /** Share of the time since the last sample the heater was asked to be on. */
  readonly duty: number;
  /** null = off. */
  readonly set_C: number | null;
  readonly mains: boolean | null;
  readonly battery_frac?: number | null | undefined;
  readonly night: boolean;
  /** The controller said goodbye without meaning to (its last will). */
  readonly gone?: boolean | undefined;
}

/** Why a figure from a sensor is not a temperature. */
export type Unbelievable = 'not a number' | 'power-on value 85' | 'no sensor, -127' | 'out of range';

/**
 * Tells a temperature from what common digital sensors send when they fail: 85.0 after they lost power, -127 when they are
 * not there. Common practice, no source.
 * @returns null when the value may be believed
 * @example unbelievable(85) // 'power-on value 85'
 */
export function unbelievable(value: unknown): Unbelievable | null {
  if (typeof value !== 'number' || !Number.isFinite(value)) return 'not a number';
  if (value === 85) return 'power-on value 85';
  if (value === -127) return 'no sensor, -127';
  return value < -50 || value > 120 ? 'out of range' : null;
}
