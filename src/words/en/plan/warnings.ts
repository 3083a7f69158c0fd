import { catalogue } from '../../catalogue.ts';

/** What core/plan/schedule/warnings.ts says. */
export const WORDS = catalogue({
  toGerminate: 'to germinate',
  toGrowOn: 'to grow on',
  inThePot: 'in the pot',
  spacedOut: 'spaced out',
  toHardenOff: 'to harden off',
  sowingWouldHaveBeenOn: 'Sowing would have been on {day}, which is past.',
  overAgeFromDayBefore: 'Over-age from {day}, before it goes out.',
  isNotAPlaceFor: 'is not a place for it',
  isDark: 'is dark',
  wantsAnother: (name: string, why: string, name2: string, part: string) =>
    `${name} ${why}: ${name2} ${part} wants another.`,
  at0OnlyAboutOf: (round: number) => `At {0} only about ${round}% of the usual number come up.`,
  runToFlower: (name: string, level: string) => `${name} ${level} run to flower`,
  isLikelyTo: 'is likely to',
  daysOfHoursWhenIt: (toFixed: string, line: number) => `days of ${toFixed} hours when it goes out, it bears ${line}`,
  youngDaysUnder0From: (figure: number, of: number) => `${figure} young days under {0} from {day}, ${of} are enough`,
  daysOver0FromDay: (figure: number, of: number) => `${figure} days over {0} from {day}, ${of} are enough`,
  about0OnTheMean: 'About {0} on the mean, with mornings some degrees under the day',
  morningsSomeDegreesUnderThe: 'Mornings some degrees under the day',
  onlyFromDayOnDo: (name: string, years: number) =>
    `Only from {day} on do nights of {0} or less, which hurt ${name}, come in no more than ${years} years of 100.`,
  week: (weeks: number, weeks2: string, weeks3: string) => `${weeks} week${weeks2} ${weeks3}`,
  goesOutTheMeanLast: (name: string, when: string) => `${name} goes out ${when} the mean last frost: {day}.`,
  theLastDayToSet: (name: string) =>
    `The last day to set ${name} out for autumn is {day}: after it four weeks to root in run into harmful nights or days under ten hours. Sooner, or under more cover.`,
  theFirstFrostOfAutumn: 'The first frost of autumn at the risk chosen is {day}.',
  theMeanFirstFrostOf: 'The mean first frost of autumn is {day}.',
  after: 'after',
  before: 'before',
  goesDownToWantsOr: (place: string, crop: string, stage: string) =>
    `${place} goes down to {0}; ${crop} ${stage} wants {1} or more.`,
  goesDownToANight: (place: string, crop: string, stage: string) =>
    `${place} goes down to {0}; a night under {1} checks ${crop} ${stage}.`,
  goesUpToWantsOr: (place: string, crop: string, stage: string) =>
    `${place} goes up to {0}; ${crop} ${stage} wants {1} or less.`,
  keepItWarmerUntilIt: 'Keep it warmer until it goes out, or sow later.',
  coolerAndShadedOrSow: 'Cooler and shaded, or sow for cooler days; a variety slow to bolt.',
  aVarietySlowToBolt: 'A variety slow to bolt, or sow for shorter days.',
  leggyInDaysFromDay: (place: string, bad: number, lightBad: string, cooler: string, wants: string) =>
    `Leggy in ${place}: ${bad} days from {day} with ${lightBad} mol of light a day, little for the warmth. ${cooler}; or ${wants} mol of light; and wider apart.`,
});
