import { catalogue } from '../../catalogue.ts';

/** Words on every page: the connection. */
export const WORDS = catalogue({
  lostSince: (time: string) =>
    `Connection lost at ${time}; reconnecting. What you see is as it was then; log lines you tap are kept on this device and sent when it is back.`,
  tryNow: 'Try now',
});
