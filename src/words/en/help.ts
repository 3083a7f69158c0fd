import { catalogue } from '../catalogue.ts';

/** What a screen is for, how its drawing is read, and its keys. */
export interface ScreenHelp {
  /** What its address begins with, after the first stroke; '' is the round alone. */
  readonly path: string;
  readonly title: string;
  readonly answers: string;
  readonly reading: readonly string[];
  readonly keys: readonly (readonly [key: string, does: string])[];
}

const EVERYWHERE = catalogue([
  ['/ or Ctrl K', 'search'],
  ['?', 'this help'],
]);

/** Screens with their help; the first whose address a page begins with, the longest address first. */
const SCREENS: readonly ScreenHelp[] = catalogue([
  {
    path: '',
    title: 'Round',
    answers: 'What has to be done today, in the order you walk.',
    reading: [
      'Each place has its heading with its temperature and how full it is; its jobs stand under it.',
      'The plum button logs the job as it stands. Press the job’s words to change number, day or note first.',
      'A line you tapped without a network is kept on this device and sent later.',
    ],
    keys: [],
  },
  {
    path: 'plan/season',
    title: 'Season',
    answers: 'Whether everything has room and is ready in time, and what to do where not.',
    reading: [
      'Each lane is a place, as high as its room. Bands are batches standing there, from day to day.',
      'The upright line is today. Hatching above a lane is what does not fit.',
      'Drag a band, or choose it and use the arrows, to try other days; nothing is written until you take it.',
    ],
    keys: [
      ['Arrows', 'from batch to batch'],
      ['+ and −', 'zoom'],
      ['Escape', 'let go'],
    ],
  },
  {
    path: 'house/begin',
    title: 'Begin',
    answers: 'What Crook has to know before it can plan: five answers.',
    reading: ['The usual weather is a rough guess by where you lie, until you import days of your site.'],
    keys: [],
  },
  {
    path: 'house/people',
    title: 'People',
    answers: 'Who works here, what each may do, and which devices are signed in.',
    reading: [
      'Nobody signs in until there is an owner. From then on everybody does, each with a role.',
      'A guest looks and prints; a hand does the day’s work; a grower also plans, keeps the books and the heat; an owner also keeps people and settings.',
      'A link works once: it lets a person join, or gives them a new password. A tablet of the house stays signed in; whoever takes it types their PIN.',
    ],
    keys: [],
  },
  {
    path: 'house/me',
    title: 'My account',
    answers: 'How you sign in, and where you are signed in.',
    reading: ['A new password signs all your other devices out. The PIN is for tablets of the house alone.'],
    keys: [],
  },
  {
    path: 'house/audit',
    title: 'What was changed',
    answers: 'Who changed people, settings, set-points and what keeps heat safe, and what it was before.',
    reading: ['The last change stands first. Nothing in this list can be changed.'],
    keys: [],
  },
  {
    path: 'house',
    title: 'Plan of the house',
    answers: 'What stands where on a day, and how full each place is.',
    reading: [
      'Places are drawn to scale; each tile is a tray. Drag a batch’s tiles to another place to move it there.',
    ],
    keys: [['Enter', 'choose a batch; then choose the place']],
  },
  {
    path: 'plan/what-if',
    title: 'What if',
    answers: 'What another bench, other weather or other temperatures would change.',
    reading: ['A scenario is a copy of the season. Nothing in it touches the real one until you take it over.'],
    keys: [],
  },
  {
    path: 'germination',
    title: 'Sow',
    answers: 'What to sow, how many seeds and trays, and what comes up.',
    reading: [
      'Seeds to sow are reckoned from the plants wanted, the lot’s germination and the spare.',
      'On the count pad give how many are up in the tray in your hand; Crook works out the rest.',
    ],
    keys: [],
  },
  {
    path: 'heat',
    title: 'Heat',
    answers: 'Whether each zone holds its temperature, what it costs, and what is wrong where it does not.',
    reading: [
      'The line is the medium by the sensor; the pale band is what the model expects.',
      'Electricity beside water: lift leads clear before you water, and use benches behind a residual-current device, wired as your local code asks.',
    ],
    keys: [],
  },
  {
    path: 'potting',
    title: 'Pot',
    answers: 'What is ready to pot, what it takes in pots, mix and hours, and in which order.',
    reading: ['Ready means true leaves and roots by the crop’s book, or by what you marked yourself.'],
    keys: [],
  },
  {
    path: 'hardening',
    title: 'Harden',
    answers: 'What goes out today, what stays in, and what is covered tonight.',
    reading: ['Each batch is on a step of its ladder. The forecast, less what it is usually off by, decides the step.'],
    keys: [],
  },
  {
    path: 'planting',
    title: 'Plant out',
    answers: 'Which batches may go out, and what holds those that may not.',
    reading: ['One line a batch with the one thing that holds it and when it may end. Open it for all gates.'],
    keys: [],
  },
  {
    path: 'weather',
    title: 'Weather',
    answers: 'What the next days bring, how far the forecast is off here, and when frosts end.',
    reading: ['Chances are counted over the years of your site, or by its usual temperatures where there are none.'],
    keys: [],
  },
  {
    path: 'books',
    title: 'Books',
    answers: 'What Crook goes by: crops, seed, places, trays.',
    reading: [
      'A line that is used cannot be deleted; retire it, and it leaves all choices but stays in what happened.',
    ],
    keys: [],
  },
  {
    path: 'batch/ledger',
    title: 'Ledger',
    answers: 'What was done, when, and by whom.',
    reading: ['Lines are never changed: a correction is a line of its own, and the old one stays to be read.'],
    keys: [],
  },
  {
    path: 'batch',
    title: 'Batch',
    answers: 'How one batch stands, when it is expected out, and why.',
    reading: [
      'The chain has the planned day of each step beside the day it happened or is forecast.',
      'Press a step for the reason of its day.',
    ],
    keys: [],
  },
]);

/** The help of the page at an address. */
export function helpOf(pathname: string): ScreenHelp {
  const address = pathname.slice(1);
  const fits = SCREENS.filter(({ path }) => (path === '' ? address === '' : address.startsWith(path)));
  const screen = fits.sort((a, b) => b.path.length - a.path.length)[0] ?? SCREENS[0]!;
  return { ...screen, keys: [...screen.keys, ...EVERYWHERE] };
}

/** Help of all screens, for the page of help. */
export const allHelp = (): readonly ScreenHelp[] => SCREENS;

export const HELP = catalogue({
  open: 'Help',
  title: 'Help and glossary',
  reading: 'How to read it',
  keys: 'Keys',
  glossary: 'Glossary',
  all: 'All help and the glossary',
  close: 'Close',
});
