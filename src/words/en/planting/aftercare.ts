import { catalogue } from '../../catalogue.ts';

/** What server/planting/aftercare.ts says. */
export const WORDS = catalogue({
  layers: (layers: number) => `${layers} layers`,
  moreOfOnBeforeDusk: (layers: string, cover: string, low_C: string) =>
    `${layers} more of ${cover} on before dusk: ${low_C} tonight`,
  openFrom00To00: (cover: string, from_h: number, to_h: number, under_C: string) =>
    `open ${cover} from ${from_h}:00 to ${to_h}:00: ${under_C} under it at the hottest hour`,
  mayComeOffTheComing: (cover: string, nights: number) =>
    `${cover} may come off: the coming ${nights} nights are mild enough`,
  leaveOfOnTheRest: (left: number, left2: string, cover: string) =>
    `leave ${left} ${left2} of ${cover} on, the rest may come off`,
  gustsTo: (season: string, gust_m_s: string, today: string) => `${season}: gusts to ${gust_m_s} ${today}`,
  weighDown: (cover: string) => `weigh ${cover} down`,
  shelterOrStakeIt: 'shelter or stake it',
  waterAtTheRootsNo: 'water at the roots: no rain is foretold and roots are few',
  waterEarlyAndShadeAt: (hot_C: string) => `water early and shade at noon: ${hot_C} and no rain`,
  ofLostSowAgainOr: (lost: number, planted_count: number | null) =>
    `${lost} of ${planted_count} lost: sow again, or close the gap`,
  replaceOfLostFromWhich: (lost: number, lost2: number, name: string, code: string, more: number) =>
    `replace ${lost} of ${lost2} lost from ${name} (${code}), which has ${more} to spare`,
  aLayer: 'a layer',
  layer: 'layer',
  today: 'today',
});
