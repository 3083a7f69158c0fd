import { catalogue } from '../../catalogue.ts';

/** What server/batch/changeBatches.ts says. */
export const WORDS = catalogue({
  logWhatHasHappenedIs: (day: string) => `Log what has happened: ${day} is still to come.`,
  thereIsNoSuchPlace: 'There is no such place.',
  wasRetiredChooseAnotherOr: (name: string) =>
    `${name} was retired. Choose another, or bring it back into use under Places.`,
  thereIsNoSuchCover: 'There is no such cover.',
  sayWhichLineIsWithdrawn: 'Say which line is withdrawn.',
  pottingWithdrawn: 'potting withdrawn',
  aSplitIsLoggedWhen: (day: string) => `A split is logged when it is done: ${day} is still to come.`,
  splitOffFewerThanThe: (present: number) => `Split off fewer than the ${present} there are.`,
  onePlantCannotBeSplit: 'One plant cannot be split.',
  to: (code: string) => `to ${code}`,
  from: (code: string) => `from ${code}`,
  splitFromBeforeSowing: (code: string) => `split from ${code} before sowing`,
  withThisTheLineOf: (kind: string, day: string, reason: string) =>
    `With this, the line "${kind}" of ${day} could not stand: ${reason}. Correct that line first.`,
  thatLineIsNotIn: 'That line is not in the log of this batch.',
  aLineOfTheKind: (kind: string) => `A line of the kind "${kind}" is corrected by one of the same kind, or withdrawn.`,
  correctedAlready: 'Corrected already',
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (id: number) => `There is no batch number ${id}.`,
  changedBySomeoneElse: 'Changed by someone else',
  thisKeyWasUsedFor: 'This key was used for another batch; use a fresh one for each.',
  aBatchKeepsItsCrop: 'A batch keeps its crop; make a new batch instead.',
  thatLineCannotBeCorrected: 'That line cannot be corrected; log what is true now instead.',
  someoneHasCorrectedThisLine: 'Someone has corrected this line; look at it as it now stands.',
  thisKeyWasUsedForAnother: 'This key was used for another line; use a fresh one for each.',
  someoneChangedThisSinceYou: 'Someone changed this since you opened it. Both versions are kept here; choose.',
});
