import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: YoungOrLarge. */
export const WORDS = catalogue({
  sow: 'Sow',
  potUp: 'Pot up',
  startHardening: 'Start hardening',
  plantOut: 'Plant out',
  againstItsDate: 'Against its date',
  cannotBe: 'cannot be',
  roomTrayDays: 'Room, tray-days',
  heatItsShare: 'Heat, its share',
  kwh: (round: number) => `${round} kWh`,
  youngOrLarge: 'Young or large',
  batchNotSownYet: 'Batch not sown yet',
  toGoOutOnIts: 'To go out on its date as',
  ofTheGrowth: (round: number) => `${round}% of the growth`,
  inThisWhatIf: 'in this what-if',
  toUse: (toLowerCase: string) => `Use ${toLowerCase}`,
  youngPlantsIntoWarmSoil:
    'Young plants into warm soil catch up; large ones crop sooner and root-bind sooner. Common practice, no source.',
});
