import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: HandReadings. */
export const WORDS = catalogue({
  notSaid: 'not said',
  withdrawn: 'Withdrawn.',
  readByHand: 'Read by hand',
  kept: 'Kept.',
  medium: 'Medium',
  air: 'Air',
  read: 'Read',
  justNow: 'just now',
  halfAnHourAgo: 'half an hour ago',
  anHourAgo: 'an hour ago',
  words3HoursAgo: '3 hours ago',
  words12HoursAgo: '12 hours ago',
  who: 'Who',
  keepTheReading: 'Keep the reading',
  medium2: (medium_C: string) => `medium ${medium_C}`,
  air2: (air_C: string) => `air ${air_C}`,
  withdrawTheReadingOf: (at_ms: string) => `Withdraw the reading of ${at_ms}`,
  withdraw: 'Withdraw',
  theSetPoint: 'the set-point',
  whatTheSensorSaysNow: 'what the sensor says now',
  theThermometerAgreesWith: (what: string) => `The thermometer agrees with ${what}.`,
  theThermometerIs: (unit: string, off: string, what: string) => `The thermometer is ${unit} ${off} ${what}.`,
  below: 'below',
  above: 'above',
});
