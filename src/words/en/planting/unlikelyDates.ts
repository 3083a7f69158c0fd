import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the planting screens: UnlikelyDates. */
export const WORDS = catalogue({
  changed: (name: string) => `${name}: changed.`,
  datesBecomeUnlikely: 'Dates become unlikely',
  itsDateHasBecomeUnlikely: 'Its date has become unlikely. What can be done',
  aDateHasBecomeUnlikely: 'A date has become unlikely',
  datesHaveBecomeUnlikely: (linesCount: number) => `${linesCount} dates have become unlikely`,
  andMore: (linesCount: number) => ` and ${linesCount} more`,
  inTimeInOfSprings: (name: Part, transplantOn: Part, round: Part, waits: Part) =>
    rich`${name}, ${transplantOn}: in time in ${round} of springs${waits}`,
});
