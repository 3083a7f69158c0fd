import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: Alarms. */
export const WORDS = catalogue({
  aTestAlarmStandsIt: 'A test alarm stands. It shows on every page until somebody takes it.',
  noAlarmStands: 'No alarm stands',
  oneAlarmStands: 'One alarm stands',
  alarmsStand: (openCount: number) => `${openCount} alarms stand`,
  soundsOnThisDevice: 'Sounds on this device',
  soundHere: 'Sound here',
  testAlarm: 'Test alarm',
  over: 'Over',
});
