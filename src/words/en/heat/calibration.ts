import { catalogue } from '../../catalogue.ts';

/** What core/heat/calibration.ts says. */
export const WORDS = catalogue({
  noReadingHasComeYet: 'no reading has come yet',
  waitAMinuteOfReadings: 'wait: a minute of readings is wanted',
  stillMovingKInA: (toFixed: string) => `still moving: ${toFixed} K in a minute. Stir and wait`,
  itReadsKFromThe: (toFixed: string, toFixed2: string, toFixed3: string, part: number) =>
    `it reads ${toFixed}°, ${toFixed2} K from the true ${toFixed3}°. Is it in the ice? More than ${part} K off means a new sensor`,
});
