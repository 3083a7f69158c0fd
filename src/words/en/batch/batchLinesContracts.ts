import { catalogue } from '../../catalogue.ts';

/** What contracts/batch/batchLines.ts says. */
export const WORDS = catalogue({
  lineSomeWords: 'line: some words',
  lineAtMost600Letters: 'line: at most 600 letters',
  linesOneAtLeast: 'lines: one at least',
  linesAtMostAtOnce: (part: number) => `lines: at most ${part} at once`,
  whatLinesSuchAs120: 'What lines such as "120 tomatoes 24 May" would make',
  makeTheBatchesOfSuch: 'Make the batches of such lines, all or none',
});
