import { catalogue } from '../../catalogue.ts';

/** What workers/seasonPlanner.ts says. */
export const WORDS = catalogue({
  searchOf: (s: number, searches: number) => `search ${s} of ${searches}`,
  tryingOtherWays: 'trying other ways',
  theExactSolverChoosesAmong: 'the exact solver chooses among the plans found',
  howMuchCheaperItCould: 'how much cheaper it could be at best',
  itIsMoreOverRoom: 'it is more over room than before',
  andMore: (faultsCount: number) => ` (and ${faultsCount} more)`,
  thePlanDidNotPass: (faults: string | undefined, more: string) =>
    `the plan did not pass its own check: ${faults}${more}`,
});
