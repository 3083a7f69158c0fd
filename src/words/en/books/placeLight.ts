import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: PlaceLight. */
export const WORDS = catalogue({
  light: 'Light',
  writtenDownUntickedWhatIs: 'Written down; unticked, what is usual there',
  daylightThroughTheGlazing: 'Daylight through the glazing, %',
  cleanGlass70OldFilm: 'clean glass 70, old film 50, none 100',
  keptOutByShade: 'Kept out by shade, %',
  aSecondFilm: 'A second film',
  lampsOverTheTraysMol: 'Lamps over the trays, µmol/m² a second',
  lampsHoursADay: 'Lamps, hours a day',
});
