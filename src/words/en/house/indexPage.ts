import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page index. */
export const WORDS = catalogue({
  round: 'Round',
  aNewNursery: 'A new nursery',
  firstWriteDownWherePlants: (link: Part, link2: Part, link3: Part) =>
    rich`First write down where plants stand: ${link} with their temperatures. Set your  ${link2}. Then ${link3}.`,
  places: 'places',
  timeZoneUnitsAndFrost: 'time zone, units and frost dates',
  makeABatch: 'make a batch',
  thisMachinesDateIsBut: (today: string | number, ahead: string | number) =>
    `This machine’s date is ${today}, but the log has lines of ${ahead}. Set the machine’s clock right before you log anything: days due and what is learned go by it.`,
  seasonIsOverAndAll: (name: Part, link: Part) =>
    rich`Season ${name} is over and all its plants are gone. ${link}: its batches are kept as they came out, and the screens stay quick.`,
  closeIt: 'Close it',
  allOpen: 'all open',
});
