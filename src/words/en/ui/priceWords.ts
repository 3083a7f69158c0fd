import { catalogue } from '../../catalogue.ts';

/** Words of ui: priceWords. */
export const WORDS = catalogue({
  atRisk: (counted: string, plants: string) => `${counted} ${plants} at risk`,
  kwh: (kWh: number, kWh2: string, money: string) => `${kWh} kWh ${kWh2}, ${money}`,
  carried: (counted: string, trays: string) => `${counted} ${trays} carried`,
  costsNothing: 'costs nothing',
  day: 'day',
  plant: 'plant',
  more: 'more',
  less: 'less',
  tray: 'tray',
});
