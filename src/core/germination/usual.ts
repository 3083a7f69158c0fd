/** Share of sown seed that comes up where nothing is known of the lot. Common practice, no source. */
export const USUAL_UP_frac = 0.85;
/** Share of the seed that germinates in a test that comes up in the house's mix. Common practice, no source. */
export const FIELD_frac = 0.95;

/**
 * Share of a lot's seeds thought to come up: its last test and the field, else the usual; a ball of several seeds is one.
 * @param germination_percent last test; null: none
 */
export function expectedShare_frac(germination_percent: number | null): number {
  return germination_percent === null ? USUAL_UP_frac : Math.min(1, germination_percent / 100) * FIELD_frac;
}
