import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the books screens: WarmthFields. */
export const WORDS = catalogue({
  theMediumAtTheSeed: (unit: Part) => rich`The medium at the seed will be about ${unit}. `,
  byDayAndByNight: (unit: string, unit2: string) => `${unit} by day and ${unit2} by night`,
  theMediumAtTheSeed2: (medium_K: Part) => rich`The medium at the seed will be about ${medium_K}. `,
  aboveTheRoom: (medium_K: string) => `${medium_K} above the room`,
  theFaceOfTheMat: (surface_K: string, round: number) =>
    `The face of the mat stands ${surface_K} above the room, ${round}% of the watts go down. `,
  asYouMeasuredIt: 'As you measured it. ',
  itRunsDayAndNight: (part: Part, decimal: Part) =>
    rich`${part}It runs day and night: ${decimal} kWh a day. The plan and the day off the heat go by this; houses differ, so put a thermometer in a cell and write down what you find.`,
  theFaceComesOverAn: (part: string) => `The face comes over ${part}: an open rack, or a smaller mat. `,
  mostAboutDaysAfterIt: (days: Part, peak_K: Part, after: Part, after2: Part) =>
    rich`Most about ${days} days after it is built: ${peak_K}; three weeks later ${after}, six weeks later ${after2}, unless it is turned and added to. Such heaps differ by a half either way: the stick thermometer puts it right.`,
  aboveTheAirOverIt: (peak_K: string) => `${peak_K} above the air over it`,
  glovesAndHandsWashedBefore:
    'Gloves, and hands washed before you eat; keep fresh manure from anything eaten raw. Turn in moving air: a working heap gives off gases and spores. Mice come for the warmth: look under the lid.',
});
