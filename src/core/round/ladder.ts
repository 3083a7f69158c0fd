/**
 * The week of hardening most growers know, one stress raised at a time. Rung 1 is the first day out.
 * @source common practice, no source
 */
export const LADDER: readonly string[] = [
  'one hour out, in shade and out of the wind',
  'two hours out',
  'half the day out',
  'most of the day out',
  'the whole day out, in at dusk',
  'the night out under fleece',
  'the night out without cover',
];

/** Words of a rung, 1 to the ladder's length; later rungs stay out day and night. */
export function rungWords(rung: number): string {
  return LADDER[rung - 1] ?? 'out day and night';
}

/** The last rung of a batch's ladder. */
export const LAST_RUNG = LADDER.length;
