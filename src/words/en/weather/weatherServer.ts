import { catalogue } from '../../catalogue.ts';

/** What server/weather/weather.ts says. */
export const WORDS = catalogue({
  sayWhichColumnHoldsThe: 'Say which column holds the date and which the lowest temperature.',
  daysAreStillToCome: (pastCount: number) => `${pastCount} days are still to come: a forecast is no history.`,
  noDayOfWeatherCould: 'No day of weather could be read from it.',
  atThisThresholdFrostIs:
    'At this threshold frost is rarer than that: there is no date to keep. Take a higher threshold or a smaller risk.',
  thereIsNeitherHistoryNor:
    'There is neither history nor usual temperatures to go by: import some, or write the normals in the settings.',
  atThisThresholdThereIs: 'At this threshold there is no season without frost.',
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedTheSettingsSince: 'Someone changed the settings since you opened them.',
  noSuchSource: 'No such source',
  noDayOfWeatherIs: 'No day of weather is kept under that name.',
});
