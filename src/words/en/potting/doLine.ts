import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the potting screens: DoLine. */
export const WORDS = catalogue({
  timerOf: (name: string) => `${name}: timer`,
  pottedOf: (name: string, potted: number) => `${name}: ${potted} potted`,
  keptHere: (potted: number) => `${potted} potted: kept on this device, not sent yet`,
  into: (plants: number, name: string, counted: string) => `${plants} into ${name}, ${counted}`,
  waterInWellRestUntil: (shortDay: string) =>
    `Water in well. Rest until ${shortDay}: no hardening, no full sun, no feed.`,
  timeOn: (name: string) => `Time on ${name}`,
  pause: 'Pause',
  start: 'Start',
  goOn: 'Go on',
  done: (name: string) => `Done: ${name}`,
  done2: 'Done',
  correct: 'Correct',
  theTimerRanWithoutA: (longest_min: string) =>
    `The timer ran ${longest_min} without a pause: it was likely left on. Type the minutes by hand; such a time teaches nothing.`,
  potted: (potted: number) => `${potted} potted`,
  ofThemFromDoubles: (doubled: number) => `${doubled} of them from doubles`,
  leftOver: (leftOver: number) => `${leftOver} left over`,
  pottedWritten: (name: string, potted: number) => `${name}: ${potted} potted, written.`,
  whatCameTo: (name: string) => `What ${name} came to`,
  potted2: 'Potted',
  fromDoubles: 'From doubles',
  minutes: (people: string) => `Minutes${people}`,
  together: (people: number) => `, ${people} together`,
  leftOver2: (rest: Part) => rich`${rest} left over`,
  keepThemAsABatch: 'Keep them as a batch of their own, to be potted later',
  writeTheCorrection: 'Write the correction',
  writeIt: 'Write it',
  tray: 'tray',
  byPhoto: (on: string, doubled: number, empty: number) =>
    `By the photo of ${on}: ${doubled} doubled cells to thin, ${empty} gaps`,
});
