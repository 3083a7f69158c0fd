import { catalogue } from '../../catalogue.ts';

/** What server/watering/logWater.ts says. */
export const WORDS = catalogue({
  noSuchBatch: (id: number) => `There is no open batch number ${id}.`,
  notSownYet: (code: string) => `${code} is not sown yet: there is nothing to water.`,
  isOver: (code: string) => `${code} is over: planted out or ended.`,
  noSuchPlace: 'There is no such place in use.',
  stillToCome: 'This time is still to come today. Write down water when it was given.',
  keyUsed: 'This key was used for another line.',
  fedWithWater: (code: string) => `fed with the water, ${code}`,
  noSuchLine: 'There is no such line, or it was taken back already.',
  wateredAlready: 'Watered already',
  wateredJustNow:
    'All of these were watered within the last ten minutes. If they were given more, write it down in ten minutes.',
  lighterThanEmpty: (empty: number, full: number) =>
    `That is less than an empty tray: full it weighed ${full} g, dry it would weigh about ${empty} g. Weigh again, or weigh it anew after watering.`,
  heavierThanFull: (full: number) =>
    `That is much more than the full tray weighed (${full} g). Weigh again, or weigh it anew right after watering.`,
});
