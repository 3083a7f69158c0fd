import { catalogue } from '../../catalogue.ts';

/** What server/house/seasons.ts says. */
export const WORDS = catalogue({
  othersAreWriting: 'Others are writing',
  closedAlready: 'Closed already',
  seasonIsClosed: (name: string) => `Season ${name} is closed.`,
  openAlready: 'Open already',
  seasonIsOpen: (name: string) => `Season ${name} is open.`,
  noSuchBatch: 'No such batch',
  thereIsNoBatchNumber: (batchId: number) => `There is no batch number ${batchId}.`,
  changedBySomeoneElse: 'Changed by someone else',
  wasChangedSinceYouOpened: (code: string) => `${code} was changed since you opened it.`,
  thereIsNoSuchSeason: 'There is no such season.',
  andMore: (part: number) => ` and ${part} more`,
  plantsAreStillStanding: 'Plants are still standing',
  ofSeasonStillStandOr: (openCount: number, name: string, join: string, more: string) =>
    `${openCount} of season ${name} still stand or are still to be sown: ${join}${more}. Log what became of them, or close it and carry them over into the season after.`,
  stillStands: (name: string) => `${name} still stands`,
  noSuchSeason: 'No such season',
  thereIsNoSeasonNumber: (id: number) => `There is no season number ${id}.`,
  seasonWasChangedSinceYou: (name: string) => `Season ${name} was changed since you opened it.`,
  thereIsASeasonAlready: (name: string) => `There is a season ${name} already.`,
  seasonHasTheSameFirst: (name: string) => `Season ${name} has the same first and last day.`,
  allItsDaysAreIn: (name: string) => `All its days are in season ${name}, which is closed. Open that one again first.`,
  ofItsBatchesGoOut: (lostCount: number, isoFromDay: string) =>
    `${lostCount} of its batches go out on days outside: the first on ${isoFromDay}. Put them into another season first.`,
  theLogIsBeingWritten: 'The log is being written to this moment; close the season again.',
  seasonIsClosedChooseAn: (season: string) => `Season ${season} is closed; choose an open one, or open it again.`,
});
