import { catalogue } from '../../catalogue.ts';

/** What contracts/house/photos.ts says. */
export const WORDS = catalogue({
  day: 'day',
  note: 'note',
  picture: 'picture: the file as base64',
  tooLarge: 'picture: at most 1.4 MB; make it smaller before it is sent',
  ofOne: 'batch, place, alarm: say which one the photo shows',
});
