import { catalogue } from '../../catalogue.ts';

/** What server/house/photos.ts says. */
export const WORDS = catalogue({
  aNumber: (name: string) => `${name}: its number, such as 12`,
  aDayToCome: 'day: a photo shows what was; choose today or a day before',
  notThere: 'the photo shows something that is not there (any more)',
  notAPicture: 'picture: this is no JPEG, PNG or WebP that can be read; take it anew',
  keyUsed: 'key: it was used for another photo; send a new one',
  noPicture: 'No such picture',
  noneOfThisNumber: 'There is none of this number, or it was taken out.',
});
