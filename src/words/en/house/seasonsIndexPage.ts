import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page house/seasons/index. */
export const WORDS = catalogue({
  seasons: 'Seasons',
  eachBatchBelongsToThe:
    'Each batch belongs to the season of its day out, and letters begin anew with it. Close a season when all its plants are gone: its batches are kept as they came out, what they taught stays, and nothing of it is worked out again.',
  traysFromEarlierYears: 'Trays from earlier years',
  voidedBatches: 'Voided batches',
  voided: (voidedOn: Part) => rich`voided ${voidedOn}`,
});
