import { catalogue } from '../../catalogue.ts';

/** What server/heat/bridge.ts says. */
export const WORDS = catalogue({
  deviceIsInNoZone: (device: string) => `device "${device}" is in no zone: give it to one under Heat`,
  deviceSentWhatIsNot: (device: string) => `device "${device}" sent what is not JSON`,
  deviceItsStateCannotBe: (device: string) => `device "${device}": its state cannot be read`,
  device: (device: string, join: undefined | string, message: undefined | string) =>
    `device "${device}": ${join}: ${message}`,
  deviceSendsMoreOftenThan: (device: string | null, cLOSEST_ms: number) =>
    `device "${device}" sends more often than every ${cLOSEST_ms} s`,
  thePlan: 'the plan',
});
