import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page hardening/programmes. */
export const WORDS = catalogue({
  programmes: 'Programmes',
  programmesOfHardening: 'Programmes of hardening',
  name: 'Name',
  school: 'School',
  rungs: 'Rungs',
  daysAtLeast: 'Days at least',
  onItNow: 'On it now',
  howOftenHere: (name: Part) => rich`How often here: ${name}`,
  daysOfTheSitesOwn: (middle: Part) =>
    rich`Days of the site’s own years within three weeks of ${middle} on which each rung could be done, for`,
  plantsNowWindIsNot: (frame: Part, hardiness: Part) =>
    rich`plants${frame}. Now: ${hardiness}. Wind is not counted: few stations tell it.`,
  hardenedIn: (name: string | number) => `, hardened in ${name}`,
  canAsGoodAsNever: (join: Part) =>
    rich`${join} can as good as never be done here then: give it a milder place or cover, a lower floor, or begin later.`,
  rung: (rung: string | number) => `Rung ${rung}`,
  change: (name: string | number) => `Change ${name}`,
  addAProgramme: 'Add a programme',
  batch: 'batch',
  batches: 'batches',
});
