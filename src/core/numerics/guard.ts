/**
 * Throws RangeError unless lo <= value <= hi; NaN fails.
 * @param name quantity with its unit, as it should be read in the message
 */
export function requireRange(name: string, value: number, lo: number, hi: number): void {
  if (!(value >= lo && value <= hi)) {
    throw new RangeError(`${name} is ${value}; it must lie between ${lo} and ${hi}`);
  }
}
