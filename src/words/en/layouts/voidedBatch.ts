import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the frame VoidedBatch. */
export const WORDS = catalogue({
  code: (code: Part) => rich`code ${code}`,
  voidedOnAsMadeBy: (voidedOn: Part, reason: Part) =>
    rich`Voided on ${voidedOn} as made by mistake${reason}. It is counted nowhere.`,
  toBringItBackOpen: (closedSeason: Part, link: Part) =>
    rich`To bring it back, open season ${closedSeason} again under ${link}.`,
  booksSeasons: 'Books, Seasons',
  log: 'Log',
});
