import { catalogue } from '../../catalogue.ts';

/** Words of ui: values of fields. */
export const WORDS = catalogue({
  yes: 'yes',
  no: 'no',
  nothing: 'nothing',
  atLeast: (label: string, bound: string) => `${label}: at least ${bound}`,
  atMost: (label: string, bound: string) => `${label}: at most ${bound}`,
  typeAFigure: (label: string) => `${label}: type a figure`,
});
