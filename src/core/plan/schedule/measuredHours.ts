/** Hours of a day as a sensor gave them, sorted out. */
export interface SoundHours {
  readonly hours: readonly (number | null)[];
  /** Hours left out because the place cannot have been so cold. */
  readonly doubted: number;
}

/** A heated or sheltered medium is never so far below the coldest that outside was, K: water drying and a clear sky counted. Common practice, no source. */
const BELOW_OUTSIDE_K = 6;
/** So many hours without a reading are bridged by a straight line; longer gaps are left to what was planned. Common practice, no source. */
const BRIDGED_h = 3;

/**
 * Readings of a day with what cannot be left out and short gaps bridged.
 * @param read 24 hours, null where there is none
 * @param outsideLeast_C coldest outside of the day; null: not known
 */
export function soundHours(read: readonly (number | null)[], outsideLeast_C: number | null): SoundHours {
  let doubted = 0;
  const kept = read.map((t) => {
    if (t === null || outsideLeast_C === null || t >= outsideLeast_C - BELOW_OUTSIDE_K) return t;
    doubted++;
    return null;
  });
  const hours = [...kept];
  for (let i = 0; i < hours.length; i++) {
    if (kept[i] !== null || i === 0 || kept[i - 1] === null) continue;
    let end = i;
    while (end < kept.length && kept[end] === null) end++;
    if (end === kept.length || end - i > BRIDGED_h) continue;
    const [a, b] = [kept[i - 1]!, kept[end]!];
    for (let k = i; k < end; k++) hours[k] = a + ((b - a) * (k - i + 1)) / (end - i + 1);
  }
  return { hours, doubted };
}
