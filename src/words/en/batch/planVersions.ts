import { catalogue } from '../../catalogue.ts';

/** What server/batch/planVersions.ts says. */
export const WORDS = catalogue({
  outOn: 'out on',
  germinatesIn: 'germinates in',
  growsOnIn: 'grows on in',
  pottedStandsIn: 'potted stands in',
  spacedStandsIn: 'spaced stands in',
  hardensIn: 'hardens in',
  sownIn: 'sown in',
  setInto: 'set into',
  daysBeforeThatAreAs: 'days before that are as good',
  daysAfterThatAreAs: 'days after that are as good',
  sizeAtPlantingOut: 'size at planting out, %',
  howSure: 'how sure, %',
  dayOfSowing: 'day of sowing',
  dayOffTheHeat: 'day off the heat',
  dayOfPotting: 'day of potting',
  dayOfSpacing: 'day of spacing',
  dayHardeningStarts: 'day hardening starts',
  dayOfPlanting: 'day of planting',
});
