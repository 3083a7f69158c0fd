import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page germination/sow. */
export const WORDS = catalogue({
  todayAndOverdue: 'Today and overdue',
  theRestOfThisWeek: 'The rest of this week',
  weekOf: (week: string | number) => `Week of ${week}`,
  sow: 'Sow',
  nothingToSow: (link: Part) => rich`Work of sowing comes from the batches of the season: ${link}.`,
  nothingInTheComingDays: (part: string | number) => `nothing in the coming ${part} days`,
  inTheComingDays: (jobsCount: string | number, trays: string | number, part: string | number) =>
    `${jobsCount}, ${trays} in the coming ${part} days`,
  comingUp: 'Coming up',
  sowingSheetAndLabels: 'Sowing sheet and labels',
  newBatch: 'New batch',
  allOpen: 'all open',
  day: 'Day',
  trays: 'Trays',
  batch: 'Batch',
  work: 'Work',
  where: 'Where',
  why: 'Why',
  late: (dueOn: Part) => rich`${dueOn} late`,
  noPlaceChosen: 'no place chosen',
  to: (toPlaceId: string | number) => ` to ${toPlaceId}`,
  whatIsDueIsLogged: (link: Part) => rich`What is due is logged on the ${link}.`,
  round: 'round',
  job: 'job',
  tray: 'tray',
});
