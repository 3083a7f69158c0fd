import type { PastDay, SpringInput } from '../../core/plan/springs/springs.ts';
import type { OddsTask } from '../../core/planting/odds.ts';

/** What odds are drawn from, as it goes to the page: history as columns, a tenth of a degree each, null where it is missing. */
export interface SpringsSent {
  readonly input: Omit<SpringInput, 'history' | 'usual'> & {
    readonly usual: { readonly day_C: readonly number[]; readonly night_C: readonly number[] } | null;
  };
  readonly historyFrom: number;
  readonly least: readonly (number | null)[];
  readonly most: readonly (number | null)[];
  /** Strongest gust, tenths of a metre a second; empty where none was measured. */
  readonly gust: readonly (number | null)[];
  readonly tasks: readonly OddsTask[];
}

/** The input of the springs from what was sent. */
export function springInputOf({ input, historyFrom, least, most, gust }: SpringsSent): SpringInput {
  const degrees = (tenths: number | null | undefined) => (tenths === null || tenths === undefined ? null : tenths / 10);
  return {
    ...input,
    history: least.map((low, i) => ({
      day: historyFrom + i,
      least_C: degrees(low),
      most_C: degrees(most[i]),
      ...(gust.length > 0 ? { gust_m_s: degrees(gust[i]) } : {}),
    })),
  };
}

/** History as columns. */
export function historyColumns(
  history: readonly PastDay[],
): Pick<SpringsSent, 'historyFrom' | 'least' | 'most' | 'gust'> {
  const historyFrom = history[0]?.day ?? 0;
  const n = history.length === 0 ? 0 : history.at(-1)!.day - historyFrom + 1;
  const least = new Array<number | null>(n).fill(null);
  const most = new Array<number | null>(n).fill(null);
  const gust = history.some((d) => d.gust_m_s != null) ? new Array<number | null>(n).fill(null) : [];
  const tenths = (t: number | null | undefined) => (t == null ? null : Math.round(10 * t));
  for (const d of history) {
    least[d.day - historyFrom] = tenths(d.least_C);
    most[d.day - historyFrom] = tenths(d.most_C);
    if (gust.length > 0) gust[d.day - historyFrom] = tenths(d.gust_m_s);
  }
  return { historyFrom, least, most, gust };
}
