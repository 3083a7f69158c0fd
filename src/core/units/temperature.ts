/** Temperature scale shown on screen; everything inside is degrees Celsius. */
export type TemperatureUnit = 'C' | 'F';

/**
 * Degrees Fahrenheit of a temperature in degrees Celsius: F = 9/5 C + 32.
 * @source International Temperature Scale conversion, exact by definition.
 * @example fahrenheitFromCelsius(20) // 68
 */
export function fahrenheitFromCelsius(temperature_C: number): number {
  return (temperature_C * 9) / 5 + 32;
}

/** Degrees Celsius of a temperature in degrees Fahrenheit: C = 5/9 (F - 32). */
export function celsiusFromFahrenheit(temperature_F: number): number {
  return ((temperature_F - 32) * 5) / 9;
}

/** The figure to show for a temperature in degrees Celsius, in the reader's scale, unrounded. */
export function shownTemperature(temperature_C: number, unit: TemperatureUnit): number {
  return unit === 'F' ? fahrenheitFromCelsius(temperature_C) : temperature_C;
}

/** The degrees Celsius meant by a figure typed in the reader's scale. */
export function temperatureFromShown(shown: number, unit: TemperatureUnit): number {
  return unit === 'F' ? celsiusFromFahrenheit(shown) : shown;
}

/** The figure to show for a difference of temperatures in kelvin, in the reader's scale, unrounded: 1 K = 1.8 °F. */
export function shownDifference(difference_K: number, unit: TemperatureUnit): number {
  return unit === 'F' ? (difference_K * 9) / 5 : difference_K;
}

/** The kelvin meant by a difference typed in the reader's scale. */
export function differenceFromShown(shown: number, unit: TemperatureUnit): number {
  return unit === 'F' ? (shown * 5) / 9 : shown;
}
