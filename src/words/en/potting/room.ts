import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: Room. */
export const WORDS = catalogue({
  room: 'Room',
  traySpaces: (room: number) => `${room} tray spaces`,
  tooMany: (most: number) => `${most} too many`,
  when: 'When',
  traySpaces2: 'Tray spaces',
  share: 'Share',
  mostOnceSpaced: 'most, once spaced',
  overRoomFromTo: (from: string, shortDay: string, couldGoCount: string) =>
    `Over room from ${from} to ${shortDay}. ${couldGoCount}`,
  theseLeaveItAnywayAnd: 'These leave it anyway, and could go first:',
  nothingThatStandsThereLeaves: 'Nothing that stands there leaves it in that time.',
  traySpacesTo: (name: Part, slots: Part, on: Part, to: Part) => rich`${name}, ${slots} tray spaces, ${on} to ${to}`,
  orWithItsPriceBy: 'Or, with its price by the house’s own rates:',
  to: (place: string) => `to ${place}`,
  on: (on: string) => `on ${on}`,
  laterOut: (later_days: string) => `${later_days} later out, `,
  sooner: (counted: string) => `${counted} sooner, `,
  noLaterOut: 'no later out, ',
  saves: (money: string) => `saves ${money}`,
  costs: (price: string) => `costs ${price}`,
  doSo: 'Do so',
  theWeighsTheWholeHouse: (link: Part) => rich`The ${link} weighs the whole house.`,
  seasonPlanner: 'season planner',
  day: 'day',
});
