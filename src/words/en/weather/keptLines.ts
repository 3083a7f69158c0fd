import { catalogue } from '../../catalogue.ts';

/** Words on every page: what this device holds. */
export const WORDS = catalogue({
  keptOnThisDevice: 'Kept on this device',
  sendNow: 'Send now',
  keptOnThisDeviceUntil: (waiting: string) => `${waiting} kept on this device until there is a connection. `,
  untilThePageIsClosed:
    'This browser keeps nothing (a private window, or storage refused): what waits is lost when the page is closed.',
  whatAndWhen: (what: string, when: string) => `${what}, ${when}`,
  notTaken: 'Not taken:',
  tappedHere: 'Tapped here',
  standsThere: 'Last line there',
  lastLine: (what: string, count: string, day: string, by: string) => `${what}${count}, ${day}${by}`,
  tryAgain: 'Try again',
  keepAsNote: 'Keep it as a note',
  noteOfRefused: (tapped: string, why: string) => `Not taken: ${tapped}. ${why}`,
  letItGo: 'Let it go',
  line: 'line',
});
