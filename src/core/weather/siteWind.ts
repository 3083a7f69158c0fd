import { requireRange } from '../numerics/guard.ts';

/** How a site lies in the wind, as its grower says. */
export const EXPOSURES = ['sheltered', 'open', 'exposed'] as const;
export type Exposure = (typeof EXPOSURES)[number];

/** What is known of the strongest gust of a day at a site: its middle, how sure that is, and how far days lie about it. */
export interface SiteWind {
  readonly median_m_s: number;
  /** Of the log of the middle: 0 where it was measured for long. */
  readonly median_logSd: number;
  readonly sigma: number;
  /** Days measured; 0: by how the site lies, or by what is usual. */
  readonly days: number;
  readonly exposure: Exposure | null;
}

/** Strongest gust of a usual day: middle by how the site lies, its spread, how one day takes after the last. Common practice, no source. */
export const GUST = { sigma: 0.42, alike: 0.45 } as const;
const MEDIAN_m_s: Readonly<Record<Exposure, number>> = { sheltered: 5, open: 7.5, exposed: 10 };
/** How sure a middle is when it is only said how a site lies, and when nothing is said: of its log. Common practice, no source. */
const SAID_logSd = 0.15;
const UNSAID_logSd = 0.35;
/** Days in a row are alike: so many count as one. */
const DAYS_ALIKE = 3;

/**
 * The wind of a site: what its own gusts say, drawn to what sites that lie so usually have while days are few. Log-normal with a
 * conjugate normal belief about the log of its middle.
 * @param gusts_m_s strongest of each day, above 0; any order
 * @throws RangeError for a gust that cannot be
 * @source Gelman et al. 2013, Bayesian Data Analysis, sec. 2.5 (normal mean, known spread); spreads common practice, no source
 */
export function siteWind(gusts_m_s: readonly number[], exposure: Exposure | null): SiteWind {
  for (const gust of gusts_m_s) requireRange('gust, m/s', gust, 0, 100);
  const logs = gusts_m_s.filter((g) => g > 0).map(Math.log);
  const n = logs.length;
  const before = { mean: Math.log(MEDIAN_m_s[exposure ?? 'open']), sd: exposure ? SAID_logSd : UNSAID_logSd };
  const mean = n === 0 ? 0 : logs.reduce((sum, l) => sum + l, 0) / n;
  const squares = logs.reduce((sum, l) => sum + (l - mean) ** 2, 0);
  // Twenty days' worth of the usual spread, until the site's own is known.
  const sigma = Math.sqrt((20 * GUST.sigma ** 2 + squares) / (20 + Math.max(0, n - 1)));
  const own = n / DAYS_ALIKE / sigma ** 2;
  const precision = before.sd ** -2 + own;
  return {
    median_m_s: Math.exp((before.mean * before.sd ** -2 + mean * own) / precision),
    median_logSd: precision ** -0.5,
    sigma,
    days: n,
    exposure,
  };
}

/** Wind a spring may have: the middle as unsure as it is. */
export function windDraw(
  { median_m_s, median_logSd, sigma }: SiteWind,
  z: () => number,
): { median_m_s: number; sigma: number } {
  return { median_m_s: median_m_s * Math.exp(median_logSd * z()), sigma };
}

/** Units wind is told in, as m/s. Beaufort by the middle of its step. @source WMO: v = 0.836 B^1.5 m/s; knot and mile exact (NIST SP 811) */
export const WIND_UNITS = ['m/s', 'km/h', 'mph', 'knots', 'Beaufort'] as const;
export type WindUnit = (typeof WIND_UNITS)[number];
export function windFrom(value: number, unit: WindUnit): number {
  switch (unit) {
    case 'm/s':
      return value;
    case 'km/h':
      return value / 3.6;
    case 'mph':
      return value * 0.44704;
    case 'knots':
      return (value * 1852) / 3600;
    case 'Beaufort':
      return 0.836 * value ** 1.5;
  }
}
/** Strongest gust of a day by its mean wind, where only that is told. Common practice, no source. */
export const GUST_OF_MEAN = 2.2;
