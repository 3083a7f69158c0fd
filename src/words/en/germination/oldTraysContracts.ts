import { catalogue } from '../../catalogue.ts';

/** What contracts/germination/oldTrays.ts says. */
export const WORDS = catalogue({
  nameOfTheFile: 'name of the file',
  fileAtMost2Mb: 'file: at most 2 MB',
  leaveTheTraysOfA: 'Leave the trays of a file out of what the house learns, or take them in again',
});
