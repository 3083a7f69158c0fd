/** A source of chance that is the same for the same seed. Numbers in [0, 1). */
export type Random = () => number;

/**
 * Small seeded generator for searches and made-up seasons; not for secrets.
 * @source mulberry32 by Tommy Ettinger, public domain, 2017
 * @example seededRandom(1)() // 0.6270739405881613
 */
export function seededRandom(seed: number): Random {
  let a = seed | 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A whole number in [0, n). */
export function below(random: Random, n: number): number {
  return Math.floor(random() * n);
}

/** The same things in an order by chance. @source Fisher & Yates, from memory */
export function shuffled<T>(list: readonly T[], random: Random): T[] {
  const all = [...list];
  for (let i = all.length - 1; i > 0; i--) {
    const j = below(random, i + 1);
    [all[i], all[j]] = [all[j]!, all[i]!];
  }
  return all;
}
