import { catalogue } from '../../catalogue.ts';

/** What server/house/takeAlong.ts says. */
export const WORDS = catalogue({
  work: (name: string) => `${name}: work`,
  tray: (trays: number, trays2: string) => `${trays} tray${trays2}`,
  minutes: (minutes: number) => `Job of the house, about ${minutes} min`,
});
