import { catalogue } from '../../catalogue.ts';

/** What core/hardening/ladderOfBatch.ts says. */
export const WORDS = catalogue({
  to: (placeId: string) => `to ${placeId}`,
  beside: (own: string) => `beside ${own}`,
  in: (own: string) => `in ${own}`,
  onBy: (part: string, cover_h: string) => `${part} on by ${cover_h}`,
  notLonger: (short: string) => `, not longer: ${short}`,
  nobodyIsThere: 'nobody is there',
  tooCold: 'too cold',
  tooWindy: 'too windy',
  atLeast: (least_C: string, gust_m_s: string) => ` (${least_C} at least${gust_m_s})`,
  gusts: (gust_m_s: string) => `, gusts ${gust_m_s}`,
  outAtInBy: (at: string, out_h: string, in_h: string, met: string, short: string, cover: string) =>
    `out${at} at ${out_h}, in by ${in_h}${met}${short}${cover}`,
});
