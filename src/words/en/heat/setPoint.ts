import { catalogue } from '../../catalogue.ts';

/** What core/heat/setPoint.ts says. */
export const WORDS = catalogue({
  setByHand: 'set by hand',
  nothingThatStandsThere: 'nothing that stands there',
  andMore: (batchesCount: number) => ` and ${batchesCount} more`,
  offThisWeekInThe: 'off this week in the plan',
  for: (chosen: string, night: string, standing: string) => `${chosen}${night}, for ${standing}`,
  thisWeeksPlan: 'this week’s plan',
  usualSetPoint: 'usual set-point',
  byNight: ', by night',
  aMatWithoutAThermostat: 'a mat without a thermostat: on day and night',
  aHotBedHeatsBy: 'a hot bed heats by itself',
  thisPlaceOnlyFollowsOutside: 'this place only follows outside',
  noTemperatureIsWrittenFor: 'no temperature is written for this place',
  asWrittenForThePlace: (night: string, standing: string) => `as written for the place${night}, for ${standing}`,
});
