import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: VoidBatch. */
export const WORDS = catalogue({
  madeByMistake: 'Made by mistake?',
  isThenCountedNowhereNot: (code: string) =>
    `${code} is then counted nowhere: not in room, work, plants or what is learned. Its page and its log stay, and it can be brought back. A batch that did exist and failed is ended, not voided.`,
  whatWasWrongWithIt: 'What was wrong with it',
  void: (code: string) => `Void ${code}`,
  bringBack: (code: string) => `Bring ${code} back`,
});
