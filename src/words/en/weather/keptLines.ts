import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the weather screens: KeptLines. */
export const WORDS = catalogue({
  keptOnThisDevice: 'Kept on this device',
  sendNow: 'Send now',
  keptOnThisDeviceUntil: (waiting: string) => `${waiting} kept on this device until there is a connection. `,
  tryAgain: 'Try again',
  letItGo: 'Let it go',
  notTaken: (toLowerCase: Part, count: Part, shortDay: Part, why: Part, link: Part) =>
    rich`Not taken: ${toLowerCase}${count}, ${shortDay}. ${why} ${link} `,
  theBatch: 'The batch',
  line: 'line',
});
