/** Distances in the ground. */
export interface Spacing {
  readonly plant_cm: number;
  readonly row_cm: number;
}

/** By crop name; common practice, no source. */
const USUAL: Readonly<Record<string, Spacing>> = Object.fromEntries(
  (
    [
      ['artichoke (globe)', 90, 100],
      ['aubergine', 50, 60],
      ['basil', 25, 30],
      ['bean (climbing)', 20, 60],
      ['beetroot', 12, 30],
      ['broccoli', 45, 60],
      ['brussels sprout', 60, 75],
      ['cabbage', 40, 45],
      ['cauliflower', 55, 60],
      ['celeriac', 30, 40],
      ['celery', 25, 30],
      ['chard', 25, 40],
      ['cosmos', 30, 40],
      ['courgette', 90, 100],
      ['cucumber', 45, 90],
      ['feverfew', 25, 30],
      ['kale', 45, 50],
      ['leek', 15, 30],
      ['lettuce', 25, 30],
      ['melon', 60, 100],
      ['okra', 40, 60],
      ['onion', 10, 25],
      ['pansy', 15, 20],
      ['parsley', 20, 25],
      ['pea', 8, 60],
      ['pepper', 45, 50],
      ['pumpkin', 120, 150],
      ['scabious', 25, 30],
      ['snapdragon', 20, 25],
      ['spinach', 15, 30],
      ['stock', 20, 25],
      ['sweet corn', 35, 45],
      ['sweet pea', 15, 40],
      ['tomato', 50, 70],
      ['watermelon', 80, 150],
      ['zinnia', 25, 30],
    ] as const
  ).map(([name, plant_cm, row_cm]) => [name, { plant_cm, row_cm }]),
);
const ELSE: Spacing = { plant_cm: 30, row_cm: 40 };

/** Distances of a crop: the house's own, the usual ones, or 30 by 40. */
export function spacingOf(cropName: string, own: Readonly<Record<string, Spacing>> = {}): Spacing {
  return own[cropName] ?? USUAL[cropName] ?? ELSE;
}

/** Ground that plants take, m2. */
export function ground_m2(plants: number, { plant_cm, row_cm }: Spacing): number {
  return (plants * plant_cm * row_cm) / 10_000;
}
