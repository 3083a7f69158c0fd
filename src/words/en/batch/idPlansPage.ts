import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page batch/[id]/plans. */
export const WORDS = catalogue({
  plansOf: (name: string | number) => `Plans of ${name}`,
  plansOf2: (name: Part) => rich`Plans of ${name}`,
  theBatch: 'The batch',
  asItWasMeantOn: 'As it was meant on a day',
  showIt: 'Show it',
  onThereWasNoPlan: (on: Part) => rich`On ${on} there was no plan of it yet.`,
  versionAsItStoodAt: (version: string | number, on: string | number) =>
    `Version ${version}, as it stood at the end of ${on}`,
  whatWasChanged: 'What was changed',
  version: (version: string | number) => `version ${version}`,
  firstPlanned: 'first planned',
  nothingThatThePlanShows: 'nothing that the plan shows',
  to: (what: string | number, before: string | number, after: string | number) => `${what}: ${before} to ${after}`,
});
