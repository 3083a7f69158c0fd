import { catalogue } from '../../catalogue.ts';

/** What server/heat/bedOrders.ts says. */
export const WORDS = catalogue({
  at00: (today: string, padStart: string) => `${today} at ${padStart}:00`,
  kwhLessThanFromThe: (toFixed: string) => `, ${toFixed} kWh less than from the evening before`,
  switchTheBedOnWarm: (when: string, takes_h: number, sowDay: string, toFixed: string, saves: string) =>
    `switch the bed on ${when}: warm in ${takes_h} h for sowing ${sowDay}, ${toFixed} kWh${saves}`,
  today: 'today',
  switchTheBedOnNow: (sowDay: string) =>
    `switch the bed on now: by the forecast it cannot be warm by ${sowDay}; sow a day later, or cover it`,
});
