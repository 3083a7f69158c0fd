import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: OccupancyTimeline. */
export const WORDS = catalogue({
  seasonDrawingPlacesFromWarmest:
    'Season drawing: places from warmest to coldest, batches as bands by day. The table says the same.',
  inFromToLeftAnd: (part: string, place: string, from: string, to: string) =>
    `${part} in ${place} from ${from} to ${to}: left and right arrows move it a day, up and down to a warmer or cooler place, Enter keeps, Escape drops`,
  transplantDateOfArrowKeys: (name: string) =>
    `Transplant date of ${name}: arrow keys move it a day, Page Up and Down a week, Enter keeps, Escape drops`,
  germinates: 'Germinates',
  growsOn: 'Grows on',
  inThePot: 'In the pot',
  spacedOut: 'Spaced out',
  hardens: 'Hardens',
});
