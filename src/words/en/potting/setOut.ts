import { catalogue } from '../../catalogue.ts';

/** Words of the potting screens: SetOut. */
export const WORDS = catalogue({
  setOutFirst: 'Set out first',
  thing: 'Thing',
  howMuch: 'How much',
  onHand: 'On hand',
  labelsOneToATray: 'labels, one to a tray',
  byParts: (recipe: string) => `${recipe}, by parts`,
  measuredLooseSettlingAndWaste: 'Measured loose, settling and waste in it',
  part: 'Part',
  litres: 'Litres',
  bagsToOpen: 'Bags to open',
  over: (left_L: string) => `${left_L} over`,
  liftBagsWithYourLegs:
    'Lift bags with your legs and share the heavy ones; damp dry mixes before you tip them, and do not breathe the dust. Wash hands: composts can carry germs.',
  notInStockBook: 'not in stock book',
  only: (shown: string) => `only ${shown}`,
  of: (shown: string) => `of ${shown}`,
  tray: 'tray',
  loose: 'loose',
});
