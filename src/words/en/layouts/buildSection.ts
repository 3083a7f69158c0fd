import { catalogue } from '../../catalogue.ts';

/** Words of the frame BuildSection. */
export const WORDS = catalogue({
  inSectionMediumOn: (words: string | number) => `In section: medium, on ${words}`,
});
