import { catalogue } from '../../catalogue.ts';

/** Words of the house screens: DeviceHolder. */
export const WORDS = catalogue({
  signedInAs: (name: string) => `Signed in as ${name}: my account`,
  pinOf: (name: string) => `PIN of ${name}`,
  pin: 'PIN',
  take: 'Take the tablet',
  whoseHandsThisDeviceIs: 'Whose hands this device is in',
  holdsThisDeviceLetGo: (name: string) => `${name} holds this device. Let go`,
  handItTo: (name: string) => `Hand it to ${name}`,
  holdsThisDeviceChange: (name: string) => `${name} holds this device. Change`,
  whoseHandsNobodyHasSaid: 'Whose hands? Nobody has said',
  who: 'Who?',
  peopleOfTheHouse: 'People of the house',
  nobodyInParticular: 'Nobody in particular',
});
