import { catalogue } from '../../catalogue.ts';

/** Words of the plan screens: Comparison. */
export const WORDS = catalogue({
  late: 'Late',
  tooEarly: 'Too early',
  cannotBe: 'Cannot be',
  plantsAtRisk: 'Plants at risk',
  overRoom: 'Over room',
  trayDays: (over_slotDays: number) => `${over_slotDays} tray-days`,
  heat: 'Heat',
  kwh: (heat_kWh: number) => `${heat_kWh} kWh`,
  heatCost: 'Heat, cost',
  traysCarried: 'Trays carried',
  setPointsChanged: 'Set-points changed',
  fullest: (name: string) => `${name}, fullest`,
  of: (round: number, room_trays: number) => `${round} of ${room_trays}`,
  fromTodayOn: 'From today on',
  day: 'day',
});
