import { catalogue } from '../../catalogue.ts';

/** What the page of scales says, and their contract. */
export const WORDS = catalogue({
  scales: 'Scales',
  what: 'A scale under one or more trays says when they were watered and how fast they dry, and through them how fast trays like them dry. It sends its weight over MQTT.',
  name: 'Name',
  device: 'Name on MQTT',
  deviceHint: 'small letters, figures and hyphens, as the scale has it',
  deviceLike: 'name on MQTT: small letters, figures and hyphens, at most 40',
  batch: 'batch on it',
  batchOnIt: 'Batch on it',
  none: 'none',
  trays: 'trays on it',
  traysOnIt: 'Trays on it',
  tare: 'weight of what else stands on it, g',
  tareOnIt: 'What else stands on it weighs',
  tareHint: 'a board or a drip tray; 0 where the scale takes it off',
  lastWeight: 'Last weight',
  neverHeard: 'not heard yet',
  weightAt: (weight: string, when: string) => `${weight}, ${when}`,
  oneTray: (weight: string) => `one tray ${weight}`,
  noneYet: 'No scale yet.',
  change: (name: string) => `Change ${name}`,
  add: 'Add a scale',
  save: 'Save the scale',
  addIt: 'Add the scale',
  caution: 'Keep scales, their leads and plugs dry and off the floor; use one made for wet rooms, as its label says.',
});
