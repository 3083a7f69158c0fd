/** What shines on a light meter. */
export const LIGHT_SOURCES = ['sun', 'white-led', 'tube', 'sodium'] as const;
export type LightSource = (typeof LIGHT_SOURCES)[number];
/** What a light meter reads: photons plants use, micromol per m2 and s; lux; or watts per m2. */
export const LIGHT_UNITS = ['umol', 'lux', 'W'] as const;
export type LightUnit = (typeof LIGHT_UNITS)[number];

/**
 * Lux, and watts per square metre, for one micromol of usable photons. Watts of the sun are those of a solarimeter, all its
 * light; of lamps only what plants use. @source Thimijan & Heins 1983, HortScience 18, 818-822, table 3 (from memory: sun 54, tubes
 * 74, sodium 82 lux; 4.57, 4.59, 4.98 micromol a joule; 45% of sunlight is usable); white LED by its colour between them, common
 * practice, no source
 */
const PER_UMOL: Readonly<Record<LightSource, { readonly lux: number; readonly W: number }>> = {
  sun: { lux: 54, W: 1 / (0.45 * 4.57) },
  'white-led': { lux: 67, W: 1 / 4.7 },
  tube: { lux: 74, W: 1 / 4.59 },
  sodium: { lux: 82, W: 1 / 4.98 },
};

/**
 * Usable photons of a reading, micromol per m2 and s. From lux and watts it is rough: lamps of one kind differ by a tenth and more.
 * @throws RangeError for a reading below 0
 * @example photons_umol(54_000, 'lux', 'sun') // 1000
 */
export function photons_umol(reading: number, unit: LightUnit, source: LightSource): number {
  if (!(reading >= 0)) throw new RangeError(`light reading is ${reading}; 0 or more wanted`);
  return unit === 'umol' ? reading : reading / PER_UMOL[source][unit];
}
