import { catalogue } from '../../catalogue.ts';

/** Words of what the application did not take. */
export const WORDS = catalogue({
  notTaken: 'Not taken:',
  tappedHere: 'Tapped here',
  standsThere: 'Last line there',
  lastLine: (what: string, count: string, day: string, by: string) => `${what}${count}, ${day}${by}`,
  tryAgain: 'Try again',
  savePicture: 'Save the picture here',
  fileName: 'photo.jpg',
  copyIt: 'Copy what it says',
  copied: 'Copied',
  keepAsNote: 'Keep it as a note',
  noteOfRefused: (tapped: string, why: string) => `Not taken: ${tapped}. ${why}`,
  letItGo: 'Let it go',
  whatAndWhen: (what: string, when: string) => `${what}, ${when}`,
});
