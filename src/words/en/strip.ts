import { catalogue } from '../catalogue.ts';

/** Words of the strip at the head of every page and its menu. */
export const STRIP = catalogue({
  account: 'My account',
  scan: 'Scan a label',
  menu: 'Menu',
  look: 'How the pages look',
  theme: { label: 'Light or dim', system: 'As the device', light: 'Light', dim: 'Dim' },
  contrast: { label: 'Contrast', usual: 'Usual', high: 'High' },
  text: { label: 'Text', usual: 'Usual', large: 'Large', largest: 'Largest' },
  holder: 'Whose hands this device is in',
  settings: 'Settings',
  print: 'Print this page',
});
