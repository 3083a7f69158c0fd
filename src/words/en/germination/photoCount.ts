import { catalogue } from '../../catalogue.ts';

/** What islands/germination/PhotoCount.tsx says. */
export const WORDS = catalogue({
  countByPhoto: 'Count by a photo',
  takeAPhoto: 'Take a photo',
  takeAnother: 'Take another',
  chooseAPicture: 'Choose a picture',
  howToTake:
    'From straight above, the whole tray with a little of the bench around it, without flash; lift wet labels out.',
  looking: 'Looking for the tray…',
  giveOrTake: (error: number) => `up, give or take ${error}`,
  upOfCells: (cells: number) => `up of ${cells} cells`,
  sums: (empty: number, doubled: number, doubtful: number) =>
    `${empty} empty, ${doubled} doubled, ${doubtful} to look at again`,
  noTrayWithinCorners: 'These corners are those of no tray: put them on its corners, one on each.',
  noTrayFound: 'No tray stands out in this picture. Put the four corners on it, or take another one.',
  doubts: {
    dark: 'It is too dark to tell leaves: take it in better light.',
    glare: 'It glares: shade the lamp or stand elsewhere.',
    blurred: 'It is blurred: hold still and take it again.',
    colour:
      'Leaves and mix are hardly told apart: pale or purple seedlings, moss, or coloured lamps. Look over every cell.',
    covered: 'Green from edge to edge: leaves that touch, moss or algae. Single plants cannot be told; count by eye.',
    'many-doubtful': 'Many cells are doubtful: look over those with a question mark.',
  },
  tapToPutRight: 'Tap a cell to put it right: none, one, two. Draw a corner where the cells do not lie on the cells.',
  moveTheCorners: 'Draw the corners onto those of the pan.',
  save: (up: number) => `Save: ${up} up`,
  takeOver: 'Only take over',
  keepThePicture: 'Keep the picture with the batch as well',
  whatItRestsOn:
    'Counted on this device and never logged by itself. Tried on drawn trays alone: no real photographs were at hand, so look it over.',
  kinds: { empty: 'empty', one: 'one', doubled: 'two', doubtful: 'doubtful' },
  cells: 'Cells',
  cellIs: (row: number, column: number, kind: string) => `Row ${row}, cell ${column}: ${kind}`,
  arrowKeys: 'Arrow keys go from cell to cell; Enter puts a cell right.',
  corners: {
    topLeft: 'Corner of the first cell',
    topRight: 'Corner at the end of the first row',
    bottomRight: 'Corner of the last cell',
    bottomLeft: 'Corner at the beginning of the last row',
  },
});
