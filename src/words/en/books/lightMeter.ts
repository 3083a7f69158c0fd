import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: LightMeter. */
export const WORDS = catalogue({
  whiteLedLamps: 'white LED lamps',
  fluorescentTubes: 'fluorescent tubes',
  sodiumLamps: 'sodium lamps',
  roughFrom: (part: string) => ` Rough: from ${part}.`,
  typeTheReadingOverThe: 'Type the reading over the trays, 0 or more.',
  putInMolMA: (umol: number, rough: string) => `Put in: ${umol} µmol/m² a second.${rough}`,
  typeTheReadingOutsideAs: 'Type the reading outside as well, taken in the same minutes.',
  moreLightInsideThanOutside: 'More light inside than outside: are the two the wrong way round?',
  fromALightMeter: 'From a light meter',
  readUnder: 'Read under',
  theMeterShows: 'The meter shows',
  overTheTrays: 'Over the trays',
  outside: 'Outside',
  putItIn: 'Put it in',
  throughPutIn: (through: number) =>
    `Put in: ${through}% of daylight comes through. Rough: one hour of one day; best under an even grey sky.`,
});
