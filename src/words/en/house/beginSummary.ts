import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the house screens: BeginSummary. */
export const WORDS = catalogue({
  whatFollowsFromIt: 'What follows from it',
  chooseATownAndSay: 'Choose a town and say how high you lie: the usual weather follows from that.',
  theUsualWeatherIsGood: (south: Part, part: Part, part2: Part) =>
    rich`${south} The usual weather is ${part}, good to within ±${part2}, until you import days of your site or type its means.`,
  aSouthernSeasonTheYear: 'A southern season: the year turns in July.',
  aNorthernSeason: 'A northern season.',
  aRoughGuess: 'a rough guess',
  month: 'Month',
  usualNightsAndDays: 'Usual nights and days',
  lastFrostHalfOfThe: 'Last frost, half of the years',
  firstFrostHalfOfThe: 'First frost, half of the years',
  mostYearsHaveNoFrost: 'Most years have no frost',
  tenderPlantsOutAtYour: 'Tender plants out, at your risk',
});
