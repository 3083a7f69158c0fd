import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the batch screens: BatchMore. */
export const WORDS = catalogue({
  howManyBatches: 'How many batches',
  bSoManyDaysAfter: 'B so many days after A',
  everySoManyDays: 'Every so many days',
  howManyTimes: 'How many times',
  plantsOfBOfA: 'Plants of B, % of A',
  changeTheMadeWithIt: (membersCount: Part, join: Part) =>
    rich`Change the ${membersCount} made with it as well, moved by as many days${join}`,
  notSownYet: (join: string) => `${join}, not sown yet`,
  boughtInHowExactHow: 'Bought in, how exact, how large',
  whereItComesFrom: 'Where it comes from',
  sownHere: 'sown here',
  plugsToGrowOn: 'plugs, to grow on',
  plugsReadyForThePot: 'plugs, ready for the pot',
  plugsComeOn: 'Plugs come on',
  theirAgeWeeks: (usualWeeks: string) => `Their age, weeks${usualWeeks}`,
  usual: (usualWeeks: number) => ` (usual ${usualWeeks})`,
  orTrueLeaves: 'or true leaves',
  daysBeforeAreAsGood: 'Days before are as good',
  daysAfterAreAsGood: 'Days after are as good',
  howMuchItMatters: 'How much it matters',
  sizeWhenItGoesOut: 'Size when it goes out',
  howSureToBeReady: 'How sure to be ready',
  asTheHousePlans: 'as the house plans',
  offTheHeat: 'Off the heat',
});
