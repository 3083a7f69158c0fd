import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the plan screens: HowSure. */
export const WORDS = catalogue({
  howSure: 'How sure',
  plannedSoThatIsReady: (sure_frac: Part) =>
    rich`Planned so that ${sure_frac} is ready in its days, as far as places and weeks allow.`,
  planForAnotherSureness: 'Plan for another sureness',
  kwh: (heat_kWh: number) => `${heat_kWh} kWh`,
  asMuchHeat: 'as much heat',
  kwh2: (kWh: number, kWh2: string, money: string) => `${kWh} kWh ${kWh2}, ${money}`,
  sownOnTheMean: (heat: string, days: string) => `${heat}, sown ${days} on the mean`,
  onTheSameDays: 'on the same days',
  more: 'more',
  less: 'less',
  day: 'day',
});
