/** How sure a plan is to be, as offered everywhere. */
export const SURE: readonly (readonly [number, string])[] = [
  [0.5, 'one in two'],
  [0.67, 'two in three'],
  [0.75, 'three in four'],
  [0.8, 'four in five'],
  [0.9, 'nine in ten'],
];

/** "nine in ten"; a figure in between by itself. */
export const sureWords = (sure_frac: number): string =>
  SURE.find(([frac]) => Math.abs(frac - sure_frac) < 0.005)?.[1] ?? `${Math.round(100 * sure_frac)} in 100`;
