import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: PlanLine. */
export const WORDS = catalogue({
  keepTheBestForWanted: (keep: number, wanted: number) => `keep the best ${keep} for ${wanted} wanted`,
  wanted: (wanted: number) => `${wanted} wanted`,
  overItsTime: (counted: string) => `${counted} over its time`,
  done: 'done',
  there: (there: Part, spare: Part, fromPlace: Part, toPlace: Part) =>
    rich`${there} there, ${spare}${fromPlace}${toPlace}`,
  min: (trays: Part, partTray: Part, round: Part, own: Part) => rich` · ${trays}${partTray} · ${round}/min ${own}`,
  inTheLast: (partTray: number) => `, ${partTray} in the last`,
  ownTimed: (own: number) => `(own, timed ${own}×)`,
  fromOthersOfOurs: '(from others of ours)',
  usual: '(usual)',
  into: (plants: Part, name: Part, doubled: Part, mixes: Part, baseMixId: Part) =>
    rich`${plants} into ${name}${doubled}, ${mixes}${baseMixId}`,
  ofThemFromDoubles: (doubled: number) => `, ${doubled} of them from doubles`,
  noMix: 'no mix',
  onOf: (base_mm: string, mixes: undefined | string) => ` on ${base_mm} of ${mixes}`,
  plants: 'Plants',
  fromDoubles: 'From doubles',
  into2: 'Into',
  mix: 'Mix',
  baseLayer: 'Base layer',
  base: (lengthUnit: string) => `Base, ${lengthUnit}`,
  goesTo: 'Goes to',
  stays: 'stays',
  takeOutOfTheSession: (name: string) => `Take ${name} out of the session`,
  out: 'Out',
  ofBaseInAboveIt: (base_L: string, base_mm: string, top_L: string) =>
    `${base_L} of base in ${base_mm}, ${top_L} above it.`,
  theLitresAndTheMeasures: (link: Part) => rich`The litres and the measures of this pot lie far apart in the ${link}.`,
  bookOfContainers: 'book of containers',
  notCountedIn: (wrong: string) => `Not counted in: ${wrong}`,
  none: 'none',
  day: 'day',
  tray: 'tray',
});
