import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: Calibrate. */
export const WORDS = catalogue({
  fillACupWithCrushed: 'Fill a cup with crushed ice, then cold water to the top of the ice. Stir for a minute.',
  takeTheSensorOutOf:
    'Take the sensor out of its cell and push its tip some 5 cm into the middle of the ice, not against the glass.',
  stirNowAndThenAnd: 'Stir now and then, and wait: the reading must stand still for a minute.',
  keepTheOffsetDryThe: 'Keep the offset, dry the sensor and push it back into a cell in the middle of the bench.',
  sayWhoCheckedIt: 'Say who checked it.',
  keptEveryReadingFromNow: 'Kept. Every reading from now is corrected by it.',
  steps: 'Steps',
  sensor: (zone: string, role: string) => `${zone}, ${role} sensor`,
  neverCheckedItsFigureIs: 'Never checked: its figure is marked wherever it shows.',
  offsetCheckedDueAgain: (offset_K: string, checkedOn: string, dueOn: string | null) =>
    `Offset ${offset_K}, checked ${checkedOn}, due again ${dueOn}.`,
  switchTheZonesHeaterOff:
    'Switch the zone’s heater off while its sensor is away, or set it by hand; with the sensor in ice the heater would run. Keep leads and plugs dry.',
  orBesideAnother: 'Or beside another',
  holdBothTipsTogetherIn: 'Hold both tips together in stirred water and take the other as true.',
  ice: 'ice',
  reading: 'Reading',
  theOtherReads: (value_C: string) => `the other reads ${value_C}`,
  iceIs: (unit: string) => `ice is ${unit}`,
  noReadingInTheLast: 'no reading in the last quarter of an hour',
  stillOffsetOverReadings: (offset_K: string, readings: number) =>
    `Still. Offset ${offset_K} over ${readings} readings.`,
  whoCheckedIt: 'Who checked it',
  who: 'who',
  keepTheOffset: 'Keep the offset',
  checkedBefore: 'Checked before',
  in: (at_ms: string, offset_K: string, method: string, by: string) => `${at_ms}: ${offset_K} in ${method}, ${by}`,
  waterBesideAnother: 'water beside another',
  uncorrected: (at: string, other: string) => `uncorrected, at ${at}; ${other}`,
});
