import { catalogue } from '../../catalogue.ts';

/** Words of the owner's list of people and their devices. */
export const WORDS = catalogue({
  people: 'People of the house',
  name: 'Name',
  role: 'Role',
  signsIn: 'Signs in as',
  notYet: 'not joined yet',
  pin: 'PIN',
  pinSet: 'set',
  noPin: 'none',
  link: 'Link to join',
  linkAgain: 'Link for a new password',
  linkFor: (name: string) => `Link for ${name}`,
  linkWhat: 'Scan it with their phone, or send it. It works once, until:',
  tablet: 'Add a tablet of the house',
  tabletTitle: 'Link for a tablet',
  copy: 'Copy',
  copied: 'Copied.',
  devices: 'Devices signed in',
  tabletOfHouse: 'Tablet of the house',
  noDevices: 'None.',
  onlyHere:
    'This address is of this machine alone: a phone reaches Crook when it is started with HOST and HTTPS (see the README).',
  letOthersIn: 'Let phones and other people in',
  letOthersInWhat:
    'Make yourself the owner: from then on everybody signs in, each with a role. Owners make links for the others.',
  yourName: 'Who you are',
  makeOwner: 'Become the owner',
});
