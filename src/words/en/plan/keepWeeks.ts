import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: KeepWeeks. */
export const WORDS = catalogue({
  brushOverTheWeeksTo: 'Brush over the weeks to keep; Escape ends',
  brushingDone: 'Brushing: done',
  keepWeeks: (keptCount: Part) => rich`Keep weeks${keptCount}`,
  whatStandsInAPlace:
    'What stands in a place in these weeks, and its set-points, stay as they are when the season is planned; nothing else is put there.',
  brushOverTheDrawing: 'Brush over the drawing',
  place: 'Place',
  everyPlace: 'every place',
  from: 'From',
  weeks: 'Weeks',
  keepTheseWeeks: 'Keep these weeks',
  keptWeeks: 'Kept weeks',
  to: (placeId: string, from: string, shortDay: string) => `${placeId}, ${from} to ${shortDay}`,
  letFromGo: (placeId: string, from: string) => `Let ${placeId} from ${from} go`,
  letGo: 'let go',
  letAllGo: (keptCount: string) => `Let all ${keptCount} go`,
  run: 'run',
});
