/** Length units shown on screen; everything inside is metres, or millimetres where a name says so. */
export type LengthUnit = 'cm' | 'in';

const MM_PER_INCH = 25.4;

/** Millimetres shown as centimetres or inches. @source 1 in = 25.4 mm exactly (ISO 80000-3). */
export function shownLength(length_mm: number, unit: LengthUnit): number {
  return unit === 'in' ? length_mm / MM_PER_INCH : length_mm / 10;
}

/** Millimetres meant by a figure typed in centimetres or inches. */
export function millimetresFromShown(shown: number, unit: LengthUnit): number {
  return unit === 'in' ? shown * MM_PER_INCH : shown * 10;
}
