import { catalogue } from '../../catalogue.ts';

/** What is shown of a page that is not on this device. */
export const WORDS = catalogue({
  title: 'Not on this device',
  what: 'There is no network, and this page is not kept here. These are:',
});
