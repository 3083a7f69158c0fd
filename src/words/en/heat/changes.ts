import { catalogue } from '../../catalogue.ts';

/** What server/heat/changes.ts says. */
export const WORDS = catalogue({
  noSuchZone: 'No such zone',
  thereIsNoHeatedZone: (id: number) => `There is no heated zone number ${id}.`,
  chooseAPlaceOfThe: 'Choose a place of the house.',
  thatPlaceHasAZone: 'That place has a zone already.',
  thatControllerIsInAnother: 'That controller is in another zone.',
  thatPlaceOrThatController: 'That place or that controller has a zone already.',
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedThisZoneSince: 'Someone changed this zone since you opened it. Both are below.',
  usedBefore: 'Used before',
  thisKeyWasUsedFor: 'This key was used for another set-point.',
  correctedAlready: 'Corrected already',
  thatReadingIsNotThere: 'That reading is not there any more: someone corrected or withdrew it.',
  noSuchAlarm: 'No such alarm',
  thereIsNoAlarmNumber: (id: number) => `There is no alarm number ${id}.`,
  noSuchSensor: 'No such sensor',
  thereIsNoSensorNumber: (sensorId: number) => `There is no sensor number ${sensorId}.`,
  nothingToBreak: 'Nothing to break',
  onlyTheSimulatedBenchesOf: 'Only the simulated benches of the demo can be broken.',
  thisZoneHasNoController: 'This zone has no controller, so none can be broken.',
  someoneChangedTheseSettingsSince: 'Someone changed these settings since you opened them.',
  notLearned: 'Not learned',
  thisZoneGoesToC: (mostSet_C: number) =>
    `This zone goes to ${mostSet_C} °C at most; change that under the zone if it is wrong.`,
  thisKeyWasUsedForAnother: 'This key was used for another reading; use a fresh one for each.',
});
