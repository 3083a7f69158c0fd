import { catalogue } from '../../catalogue.ts';

/** What core/batch/refusal.ts says. */
export const WORDS = catalogue({
  notSownYet: 'not sown yet',
  sownNothingLoggedAsUp: 'sown, nothing logged as up yet',
  upStillOnTheHeat: 'up, still on the heat',
  growingOn: 'growing on',
  plantedOut: 'planted out',
  heldForAtMostDays: (mOST_HELD_days: number) => `held for at most ${mOST_HELD_days} days at a time`,
  aSplitCanOnlyBegin: 'a split can only begin a batch',
  theBatchIs: (part: string) => `the batch is ${part}`,
  theBatchIsNotPlanted: 'the batch is not planted out yet',
  theBatchIsNotSown: 'the batch is not sown yet',
  theBatchIsPlantedOut: 'the batch is planted out',
  onlyPottedPlantsAreSpaced: 'only potted plants are spaced out',
  theseAreSpacedAlready: 'these are spaced already',
  sayIntoWhichContainerThey: 'say into which container they were moved',
  hardeningHasNotStarted: 'hardening has not started',
  sayHowMany: 'say how many',
  atLeastOneMustHave: 'at least one must have come',
  atLeastOneMustBe: 'at least one must be sown',
  canBeThereAtThe: (alive_count: number | null) =>
    `${alive_count} can be there at the most, of what was sown and not lost`,
  onlyAreLeft: (alive_count: number | null) => `only ${alive_count} are left`,
  atLeastOneMustBe2: 'at least one must be potted',
  atLeastOneMustBe3: 'at least one must be lost',
  splitOffAtLeast1: (alive_count: number | null) => `split off at least 1 and fewer than the ${alive_count} there are`,
  itIsOnStepLog: (rung: number, rung2: number) => `it is on step ${rung}: log 1 to ${rung2}`,
  andFromDoubles: (doubled: number) => `, and ${doubled} from doubles`,
  onlyAreLeft2: (least: number, teased: string, rest: string) => `only ${least} are left${teased}${rest}`,
  hardening: 'hardening',
  ended: 'ended',
  thisBatchHasEndedWithdraw: 'this batch has ended; withdraw its end first',
  thisIsBeforeTheLast: 'this is before the last thing logged for the batch; correct that line first',
  thisIsLoggedAlreadyCorrect: 'this is logged already; correct that line instead',
  countingWhatIsUpEnds: (phase: string) => `counting what is up ends with potting; the batch is ${phase}`,
  theBatchIsPlantsAre: (phase: string) => `the batch is ${phase}; plants are moved on when they are up`,
  thisBatchIsCountedAs: 'this batch is counted as a whole so far; go on so, or withdraw those counts',
  wereUpInTrayBefore: (least: number, byTray: number) =>
    `${least} were up in tray ${byTray} before; log those that died as lost`,
  thisBatchIsCountedTray: 'this batch is counted tray by tray; count each tray',
  upOfSownCannotBe: (count: number, sown_count: number | null) =>
    `${count} up of ${sown_count} sown cannot be; count again or correct the sowing`,
  wereUpBeforeLogThose: (up_count: number) => `${up_count} were up before; log those that died as lost`,
  pottedAndThrownOutOr: (count: number, out: number) =>
    `; ${count} potted and ${out} thrown out or left over are more than that`,
});
