import { catalogue } from '../../catalogue.ts';

/** What server/batch/voidBatch.ts says. */
export const WORDS = catalogue({
  partOfItGoesOn: 'Part of it goes on',
  splitOffFromItVoid: (join: string, partsCount: string) =>
    `${join} ${partsCount} split off from it. Void that first, or end this batch instead.`,
  itWasPotted: 'It was potted',
  itsPottingsTookPotsAnd:
    'Its pottings took pots and mix from the stock. Withdraw those lines first, or end this batch instead.',
  broughtBackOn: (today: string) => `brought back on ${today}`,
  was: 'was',
});
