import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the books screens: ImportBatches. */
export const WORDS = catalogue({
  thisFileIsOver2: 'This file is over 2 MB. Cut it into parts.',
  readIn: (made: string, rest: string) => `${made} read in.${rest}`,
  theOtherLinesAreBelow: ' The other lines are below and in the file, each with what is wrong.',
  aFile: 'A file',
  orLinesPastedHere: 'Or lines pasted here',
  lookAtItFirst: 'Look at it first',
  theLinesToMendAs: 'The lines to mend, as a file',
  makeTheVarietiesThatAre: (newVarietiesCount: Part) =>
    rich`Make the varieties that are not in the books${newVarietiesCount}`,
  canBeRead: (linesCount: Part, errorsCount: Part) => rich`${linesCount} can be read${errorsCount}.`,
  line: 'Line',
  crop: 'Crop',
  variety: 'Variety',
  plants: 'Plants',
  out: 'Out',
  sow: 'Sow',
  where: 'Where',
  cannotBeReached: 'cannot be reached',
  readInOnlyWhatIs: 'Read in only what is right: ',
  readIn2: 'Read in ',
  batch: 'batch',
  batches: 'batches',
  line2: 'line',
  cropPlantsTransplantOnTomato: 'crop,plants,transplant_on\ntomato,120,2027-05-24',
  mendTheOthersFirstOr: '; mend the others first, or take these and get the others back as a file',
});
