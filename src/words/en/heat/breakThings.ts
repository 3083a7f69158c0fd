import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: BreakThings. */
export const WORDS = catalogue({
  pullTheSensor: 'Pull the sensor',
  freezeTheSensor: 'Freeze the sensor',
  cutTheHeater: 'Cut the heater',
  jamTheRelayOn: 'Jam the relay on',
  cutThePower: 'Cut the power',
  openTheLid: 'Open the lid',
  shutTheVents: 'Shut the vents',
  stopTheReadings: 'Stop the readings',
  sensorIntoMeltingIce: 'Sensor into melting ice',
  brokenLetTheDemosClock: 'Broken. Let the demo’s clock run to see what comes of it.',
  mended: 'Mended.',
  breakSomethingDemo: 'Break something (demo)',
});
