import type { ChoiceTask } from '../../src/core/house/roundChoice.ts';

/** A made-up round: places in a row, a few jobs at each, minutes in halves, weights far apart. */
export function madeUpRound(
  random: () => number,
  people: number,
  { places = 5, jobs = 14, minutes = 20 + Math.floor(25 * random()) } = {},
): ChoiceTask {
  const at = Array.from({ length: places }, () => Math.round(60 * random()));
  return {
    jobs: Array.from({ length: jobs }, (_, i) => ({
      key: `j${i}`,
      place: Math.floor(places * random()),
      minutes: 0.5 * (1 + Math.floor(24 * random())),
      weight: Math.round(100 * random() ** 2 * 12) / 100 + 0.05,
      holder: null,
    })),
    places,
    walk_min: (from, to) => (from < 0 ? 0.5 : 0.5 + 0.5 * Math.round(Math.abs(at[from]! - at[to]!) / 25)),
    people: Array.from({ length: people }, (_, i) => i + 1),
    minutes,
  };
}
