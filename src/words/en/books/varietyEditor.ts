import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: VarietyEditor. */
export const WORDS = catalogue({
  crop: 'Crop',
  variety: 'Variety',
  note: 'Note',
  asTheCrop: 'as the crop',
  crop2: (shown: string) => `crop: ${shown}`,
  saveIt: 'Save it',
  addIt: 'Add it',
  itsOwnFiguresEmptyAs: 'Its own figures; empty: as the crop',
});
