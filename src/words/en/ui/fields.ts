import { catalogue } from '../../catalogue.ts';

/** Words of ui: values of fields. */
export const WORDS = catalogue({
  yes: 'yes',
  no: 'no',
  nothing: 'nothing',
});
