import { chanceOf, gammaDraw, gauss, type Chance } from './otherTrays.ts';

/** A day of made-up weather: day of the year from 0, lowest, highest, strongest gust. */
export interface OtherDay {
  readonly least_C: number;
  readonly most_C: number;
  readonly gust_m_s: number;
}

export interface OtherSite {
  /** Mean of the lowest over the year and half its yearly swing, coldest late in January. */
  readonly mean_C: number;
  readonly swing_K: number;
  /** Standard deviation of whole years about the mean, and warming. */
  readonly yearly_K: number;
  readonly warming_K_a: number;
  /** Middle of the strongest gust of a day. */
  readonly gust_m_s: number;
}

/** Regimes: changeable, settled and clear, mild and wet. Warmer or colder by, chance to stay, clear nights, day range, wind. */
const REGIMES = [
  { off_K: 0, stay: 0.8, clear_K: 1.2, range_K: 8, wind: 1.05 },
  { off_K: -2.2, stay: 0.86, clear_K: 2.8, range_K: 11, wind: 0.7 },
  { off_K: 2.4, stay: 0.78, clear_K: 0.5, range_K: 6, wind: 1.35 },
];

/**
 * Years of weather by another generator than the program's own (it takes nothing from src): a chain of regimes, lows skewed
 * downward by clear nights (gamma), whole years warmer or colder, a slow warming, gusts that go with the regime and last.
 * @returns years of 365 days
 */
export function otherYears(seed: number, site: OtherSite, years: number): OtherDay[][] {
  const chance: Chance = chanceOf(seed);
  let regime = 0;
  let gusty = gauss(chance);
  return Array.from({ length: years }, (_, y) => {
    const anomaly = site.yearly_K * gauss(chance) + site.warming_K_a * (y - years);
    return Array.from({ length: 365 }, (_day, d) => {
      const { stay } = REGIMES[regime]!;
      if (chance() > stay) regime = (regime + 1 + Math.floor(2 * chance())) % 3;
      const r = REGIMES[regime]!;
      const season = site.mean_C - site.swing_K * Math.cos((2 * Math.PI * (d - 24)) / 365);
      const least_C = season + anomaly + r.off_K + 1.1 * gauss(chance) + r.clear_K - gammaDraw(chance, 1.6) * r.clear_K;
      const range = Math.max(2, r.range_K * (0.75 + 0.35 * Math.sin((Math.PI * (d - 20)) / 365)) + 1.5 * gauss(chance));
      gusty = 0.45 * gusty + Math.sqrt(1 - 0.45 ** 2) * gauss(chance);
      return { least_C, most_C: least_C + range, gust_m_s: site.gust_m_s * r.wind * Math.exp(0.36 * gusty) };
    });
  });
}
