import { comingDays, type Site } from './site.ts';

/**
 * Highest and lowest outside of each day from `from` as they are known: the station's, before it the grower's thermometer,
 * for coming days the forecast. Days of which nothing is known are left out.
 */
export function knownOutside(
  site: Site | null,
  from: number,
): [day: number, day_C: number | null, night_C: number | null][] {
  if (!site) return [];
  const known = new Map<number, [number | null, number | null]>();
  const put = (day: number, day_C: number | null | undefined, night_C: number | null | undefined) => {
    if (day < from) return;
    const there = known.get(day) ?? [null, null];
    known.set(day, [day_C ?? there[0], night_C ?? there[1]]);
  };
  for (let i = site.history.length - 1; i >= 0; i--) {
    const d = site.history[i]!;
    if (d.day < from) break;
    if (d.day <= site.today) put(d.day, d.day < site.today ? d.most_C : null, d.least_C);
  }
  for (const [day, { value }] of site.most) put(day, value, null);
  for (const [day, { value }] of site.least) put(day, null, value);
  for (const d of comingDays(site))
    put(d.day, d.most_C, d.day === site.today && known.get(d.day)?.[1] != null ? null : d.morning_C);
  return [...known].sort(([a], [b]) => a - b).map(([day, [day_C, night_C]]) => [day, day_C, night_C]);
}
