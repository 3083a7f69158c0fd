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
  noSuchScale: (device: string) => `scale "${device}" is none of the house: write it down under Water and air, Scales`,
  weightCannotBeRead: (device: string) => `scale "${device}": its weight cannot be read`,
  weightOfTheFuture: (device: string, at: string) =>
    `scale "${device}": a weight from the future, ${at}; set its clock`,
  thePlan: 'the plan',
});
