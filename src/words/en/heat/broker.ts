import { catalogue } from '../../catalogue.ts';

/** What server/heat/broker.ts says. */
export const WORDS = catalogue({
  aDeviceCalledWithThe: (slice: string) => `a device called with the wrong user or password (user "${slice}")`,
  aMessageOnOfBytes: (slice: string, payloadCount: number) =>
    `a message on ${slice} of ${payloadCount} bytes was not taken`,
  aMessageOnWasNot: (slice: string) => `a message on ${slice} was not taken`,
});
