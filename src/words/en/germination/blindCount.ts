import { catalogue } from '../../catalogue.ts';

/** What islands/germination/BlindCount.tsx says. */
export const WORDS = catalogue({
  countWithoutLooking: (name: string) => `Count without looking: ${name}`,
  how: 'Tap anywhere on the large field for one more; the volume keys, + and − or a remote shutter count as well where the browser hands them over.',
  oneMore: 'One more',
  oneFewer: 'One fewer',
  up: (count: number) => `${count} up`,
  feels: { sound: 'Sound at ten', buzz: 'Buzz at ten', left: 'Left-handed' },
  done: 'Done',
});
