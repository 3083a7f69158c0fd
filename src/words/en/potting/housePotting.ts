import { catalogue } from '../../catalogue.ts';

/** Words of the potting screens: HousePotting. */
export const WORDS = catalogue({
  mixOfPots: 'Mix of pots',
  richerBase: 'Richer base',
  depthOfTheBase: (unitOf: string) => `Depth of the base, ${unitOf}`,
  words0ForOneMixThroughout: '0 for one mix throughout',
  feedWithTheWater: 'Feed given with the water',
  takenFromTheStock: 'what is given is taken from the stock, where it is kept as that feed',
  shareOfTheLabelRate: 'Its share of the label rate',
  words05IsHalf: '0.5 is half',
  mixToSowIn: 'Mix to sow in',
  settlingShare: 'Settling, share',
  words01IsATenth: '0.1 is a tenth more',
  wasteShare: 'Waste, share',
  settingOutMinutes: 'Setting out, minutes',
  traysPerTrip: 'Trays per trip',
  minutesPerTrip: 'Minutes per trip',
  restAfterPottingDays: 'Rest after potting, days',
  noHardeningNoFullSun: 'no hardening, no full sun, no feed',
  lostAfterPottingShare: 'Lost after potting, share',
  chanceOfEndingWithEnough: 'Chance of ending with enough',
  words09IsNineTimes: '0.9 is nine times of ten',
  trueLeavesForAPot: 'True leaves for a pot',
  trueLeavesToPrickOut: 'True leaves to prick out',
  weeksTheStockLooksAhead: 'Weeks the stock looks ahead',
  saveIt: 'Save it',
});
