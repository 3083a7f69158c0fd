import { catalogue } from '../../catalogue.ts';

/** What ui/photo says. */
export const WORDS = catalogue({
  tooLarge: 'This file is larger than 60 MB. Take the picture anew at a lower resolution.',
  heic: 'This browser cannot read HEIC pictures. Set the camera to “most compatible” (JPEG), or take the picture with the button here.',
  notAPicture: 'This file cannot be read as a picture. Choose a JPEG, PNG or WebP, or take one with the button here.',
  noCanvas: 'This browser has no room to draw the picture. Close other pages and try again.',
});
