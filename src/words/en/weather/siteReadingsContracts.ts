import { catalogue } from '../../catalogue.ts';

/** What contracts/weather/siteReadings.ts says. */
export const WORDS = catalogue({
  kindMaxMinSoilOr: 'kind: max-min, soil or withdrawn',
  lowestInDegreesC: 'lowest in degrees C',
  highestInDegreesC: 'highest in degrees C',
  strongestGustInMS: 'strongest gust in m/s',
  soilInDegreesC: 'soil in degrees C',
  inMeltingIceDegreesC: 'in melting ice, degrees C',
  readingCorrected: 'reading corrected',
  lowestReadAtLeastOne: 'lowest: read at least one of the two',
  soilWhatTheThermometerSays: 'soil: what the thermometer says at 10 cm after a minute',
  sayWhichReadingIsWithdrawn: 'Say which reading is withdrawn.',
  notBelowTheLowestAre: 'not below the lowest; are they the wrong way round?',
});
