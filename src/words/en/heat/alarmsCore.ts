import { catalogue } from '../../catalogue.ts';

/** What core/heat/alarms.ts says. */
export const WORDS = catalogue({
  powerLost: 'Power lost',
  heaterGivesNoHeat: 'Heater gives no heat',
  coverTheBenchLookAt: (part: string) => `Cover the bench. Look at plug, fuse and RCD. ${part}`,
  heaterWillNotGoOff: 'Heater will not go off',
  pullTheHeatersPlugNow: (part: string) =>
    `Pull the heater’s plug now: it will cook the trays. Open the cover. ${part}`,
  sensorOutOfItsCell: 'Sensor out of its cell',
  pushItBackIntoThe:
    'Push it back into the medium of a cell in the middle of the bench. If you have just watered with cold water, take the alarm and wait. Until then the heater runs by the model, not by the sensor.',
  sensorStuck: 'Sensor stuck',
  unplugTheSensorAndPlug:
    'Unplug the sensor and plug it in again, or put in another. The heater runs by the model until then.',
  tooCold: 'Too cold',
  tooHot: 'Too hot',
  lidOpenOnACold: 'Lid open on a cold night',
  shutTheLidOrPull: 'Shut the lid or pull the cover over.',
  lidShutInSun: 'Lid shut in sun',
  propTheLidOpenNow: 'Prop the lid open now and shade the trays: closed, it goes on warming.',
  readingsStopped: 'Readings stopped',
  lookAtTheBenchWith:
    'Look at the bench with a thermometer. Then the controller’s power, its sensor’s plug and the network.',
  batteryLow: 'Battery low',
  changeTheSensorsBatteryWhen: 'Change the sensor’s battery when you next walk by.',
  testAlarm: 'Test alarm',
  nothingIsWrongSomebodyTried: 'Nothing is wrong: somebody tried whether alarms are heard. Take it.',
  switchItOffAtThe:
    'Switch it off at the wall and dry your hands before you touch leads; fixed wiring is for a licensed electrician.',
  putOnEveryCoverYou:
    'Put on every cover you have and keep it shut. Look at the breaker and the RCD once; if it trips again leave it. Generators stand outdoors only and are never fed into the house wiring.',
  coverTheTraysShutDoors:
    'Cover the trays, shut doors. See whether the heater is on and strong enough for this night; carry the tenderest to a warmer place.',
  openTheCoverAndDamp: 'Open the cover and damp down; pull the heater’s plug if it is still on.',
});
