import { catalogue } from '../../catalogue.ts';

/** What server/house/begin.ts says. */
export const WORDS = catalogue({
  placeIsNotOneOf: (key: string) => `place: ${key} is not one of this house`,
  placeTwice: (key: string) => `place: ${key} twice`,
  traysThereIsNoTray: (id: number) => `trays: there is no tray number ${id}`,
  begunAlready: 'Begun already',
  thisNurseryHasItsPlaces: 'This nursery has its places already. Change them in Books, and the rest under Settings.',
});
