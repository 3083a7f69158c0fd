import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page batch/[id]/emergence. */
export const WORDS = catalogue({
  sown: (name: string | number, sow: string | number) => `${name}, sown ${sow}`,
  comingUp: (name: string | number) => `${name}, coming up`,
  comingUp2: (name: Part) => rich`${name}, coming up`,
  code: (code: Part, data: Part) => rich`code ${code}${data}`,
  sown2: (lotCode: string | number, sown: string | number, sownOn: string | number) =>
    `${lotCode}, ${sown} sown ${sownOn}`,
  lot: (lotCode: string | number) => `, lot ${lotCode}`,
  theBatch: 'The batch',
  countIt: 'Count it',
  theseComeAsPlugsAnd: 'These come as plugs and are not sown here.',
  notSownYetThereIs: 'Not sown yet: there is nothing to count.',
});
