import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: StageBandsEditor. */
export const WORDS = catalogue({
  comingUp: 'coming up',
  growingOn: 'growing on',
  inThePot: 'in the pot',
  spacedOut: 'spaced out',
  bearsNight: 'Bears, night',
  checkedUnder: 'Checked under',
  comfortableNight: 'Comfortable, night',
  comfortableDay: 'Comfortable, day',
  bearsDay: 'Bears, day',
  stageByStage: 'Stage by stage',
  thePlannerPutsNothingWhere:
    'The planner puts nothing where it does not bear it, takes no tender crop under the night that checks it before it is hardened, and counts a price for each degree outside the comfortable. Left empty a figure follows from the rest of the crop (common practice, no source).',
  noLine: 'no line',
  mayStandInAFrame: 'May stand in a frame or on the ground from',
  asItsHardiness: (part: string) => `as its hardiness: ${part}`,
  bearsToComfortableTo: (
    part: string,
    bearsLow_C: number,
    bearsHigh_C: number,
    comfortLow_C: number,
    comfortHigh_C: number,
    checkNight_C: string,
  ) => `${part}: bears ${bearsLow_C} to ${bearsHigh_C}, comfortable ${comfortLow_C} to ${comfortHigh_C}${checkNight_C}`,
  checkedUnder2: (checkNight_C: number) => `, checked under ${checkNight_C}`,
  hardening: 'hardening',
});
