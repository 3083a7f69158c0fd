import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: MadeLater. */
export const WORDS = catalogue({
  cannotBe: 'cannot be',
  in100: (out: string, round: number) => `${out}, ${round} in 100`,
  noBatchIsMadeLater: 'No batch is made later or less sure of its date by this plan.',
  madeLaterByThisPlan: 'Made later by this plan',
  madeLaterByThisPlan2: (laterCount: string) => `Made later by this plan: ${laterCount}`,
  leaveItAsItIs: 'Leave it as it is',
  leftAsItIs: 'Left as it is.',
  kwh: (kWh: number, money: string) => `${kWh} kWh, ${money}`,
  roomForTrayDays: (over_slotDays: number) => `room for ${over_slotDays} tray-days`,
  itBuysNothingThatCan: 'It buys nothing that can be counted.',
  itBuys: (join: string) => `It buys ${join}.`,
  itIsNotMovedThe: 'It is not moved: the set-points where it stands are lower for a while.',
  leaveTheSetPointsOf: (join: string) => `Leave the set-points of ${join} as they are`,
  batch: 'batch',
  batches: 'batches',
  outReadyInTimeThen: (before: string, after: string) => `out ${before} ready in time; then ${after}`,
});
