/**
 * The value that parts a histogram best in two: the largest variance between its parts (Otsu 1979, IEEE Trans. Syst. Man Cybern. 9,
 * 62-66; from memory).
 * @param counts how often each value was seen
 * @returns the last value of the lower part; -1: there is but one value
 */
export function otsu(counts: ArrayLike<number>): number {
  let all = 0;
  let sum = 0;
  for (let i = 0; i < counts.length; i++) {
    all += counts[i]!;
    sum += i * counts[i]!;
  }
  let [below, sumBelow, best, most] = [0, 0, -1, 0];
  for (let i = 0; i < counts.length - 1; i++) {
    below += counts[i]!;
    sumBelow += i * counts[i]!;
    const above = all - below;
    if (below === 0 || above === 0) continue;
    const apart = sumBelow / below - (sum - sumBelow) / above;
    const between = below * above * apart * apart;
    if (between > most * (1 + 1e-12)) [best, most] = [i, between];
  }
  return best;
}
