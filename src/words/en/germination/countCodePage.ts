import { catalogue } from '../../catalogue.ts';

/** Words of the page germination/count/[code]. */
export const WORDS = catalogue({
  count: (name: string | number) => `Count ${name}`,
  notSownHereYetThere: 'Not sown here yet: there is nothing to count.',
});
