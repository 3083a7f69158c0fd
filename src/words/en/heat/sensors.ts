import { catalogue } from '../../catalogue.ts';

/** What server/heat/sensors.ts says. */
export const WORDS = catalogue({
  noSuchSensor: 'No such sensor',
  thereIsNoThermometerNumber: (id: number) => `There is no thermometer number ${id}.`,
});
