import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: batchLine. */
export const WORDS = catalogue({
  every: (days: string) => `every ${days}`,
  everyWeek: 'every week',
  everyWeeks: (days: number) => `every ${days} weeks`,
  howMany: 'how many?',
  whichCrop: 'which crop?',
  lot: (lot: string) => `lot ${lot}`,
  times: (value: string) => `${value} times`,
  everyDays: (value: string) => `every ${value} days`,
  lot2: (value: string) => `lot ${value}`,
  day: 'day',
  batch: 'batch',
  batches: 'batches',
  plant: 'plant',
  when: 'when?',
  sown: (day: string) => `sown ${day}`,
  out: (day: string) => `out ${day}`,
});
