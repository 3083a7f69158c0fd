import { catalogue } from '../../catalogue.ts';

/** Words of the page of photos. */
export const WORDS = catalogue({
  photos: 'Photos',
  pictureFile: 'All pictures as a ZIP file',
});
