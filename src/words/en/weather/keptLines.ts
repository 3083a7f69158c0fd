import { catalogue } from '../../catalogue.ts';

/** Words on every page: what this device holds. */
export const WORDS = catalogue({
  keptOnThisDevice: 'Kept on this device',
  sendNow: 'Send now',
  keptOnThisDeviceUntil: (waiting: string) => `${waiting} kept on this device until there is a connection. `,
  untilThePageIsClosed:
    'This browser keeps nothing (a private window, or storage refused): what waits is lost when the page is closed.',
  whatAndWhen: (what: string, when: string) => `${what}, ${when}`,
  cleared: 'This browser cleared what was kept here to make room.',
  putBack: (n: string) => `${n} put back from the second copy.`,
  lost: (n: string) => `${n} could not be put back; do it again:`,
  seen: 'Seen',
  line: 'line',
  andMore: (n: number) => `and ${n} more`,
});
