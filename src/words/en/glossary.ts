import { catalogue } from '../catalogue.ts';

/** A word of the house and what it means here. */
export interface GlossaryEntry {
  readonly word: string;
  readonly means: string;
}

export const GLOSSARY: readonly GlossaryEntry[] = catalogue([
  {
    word: 'Batch',
    means:
      'Plants of one crop sown together for one transplant date. It has a code, such as K7M, that stands on its labels.',
  },
  { word: 'Bottom heat', means: 'Heat from under the trays, by a mat or cable, held by a thermostat at the medium.' },
  { word: 'Carrying tray', means: 'The tray in which pots are carried; a batch in pots is counted by them.' },
  {
    word: 'Chain',
    means:
      'The steps of a batch in their order: sow, first up, half up, off the heat, pot up, space out, harden, plant out.',
  },
  {
    word: 'Chamber',
    means:
      'A closed box with heat for germination. A dark chamber has no lamps; plants must leave it the day half are up.',
  },
  { word: 'Clash', means: 'A place over its room, or a batch that cannot be ready in its days.' },
  {
    word: 'Cover',
    means:
      'What lies over plants outside: fleece, a cloche, a tunnel. Its worth is how much warmer the night is under it.',
  },
  {
    word: 'Degree-days',
    means: 'Warmth above a crop’s base temperature, added up over days. A plant needs so many of them to each step.',
  },
  { word: 'Expected out', means: 'The day Crook expects a batch to be fit to go out and the weather to let it.' },
  {
    word: 'Frost risk',
    means:
      'The share of years in which a harmful night comes after the plants are out. You choose how much you accept.',
  },
  {
    word: 'Gate',
    means:
      'One of the things that must be so before a batch is planted out: hardened, soil warm, no frost foretold, and others.',
  },
  { word: 'Half up', means: 'Half of the seeds that will come are up. It is the step that off-the-heat rules go by.' },
  { word: 'Hardening off', means: 'Getting plants used to the outside over days, by steps: the ladder.' },
  {
    word: 'Hysteresis (differential)',
    means: 'How far the temperature may fall below its set-point before the heater comes on again.',
  },
  {
    word: 'Ladder',
    means:
      'The steps of hardening, from the frame by day to nights outside. A bad forecast holds a batch on its step or takes it back.',
  },
  {
    word: 'Ledger',
    means:
      'Everything that was logged, by day, with who logged it. Lines are never changed; a correction is a line of its own.',
  },
  { word: 'Lot', means: 'One delivery of seed of a variety, with its germination.' },
  {
    word: 'Medium',
    means: 'What the seed lies in: compost, vermiculite, sand. Its temperature is what counts for germination.',
  },
  { word: 'Off the heat', means: 'The move from the warm germination place to the growing place.' },
  { word: 'Plugs', means: 'Young plants bought in, or raised in small cells, to be grown on or potted.' },
  { word: 'Pricking out', means: 'Moving seedlings from a seed tray into cells or pots.' },
  { word: 'Room', means: 'How many standard trays a place holds. The room of one of them is a tray space.' },
  {
    word: 'Rule of weeks',
    means:
      'The old way to find a sowing day: so many weeks before planting out. Shown beside Crook’s own day to compare.',
  },
  { word: 'Set-point', means: 'The temperature a thermostat holds.' },
  { word: 'Spare', means: 'Seeds sown beyond the plants wanted, because some never come or are lost.' },
  {
    word: 'Spread',
    means: 'How far apart the seedlings of a tray come up, and how far from each other times of different trays lie.',
  },
  {
    word: 'Spring',
    means: 'In “try it in 500 springs”: one way the weather and the plants could turn out, drawn from what is known.',
  },
  { word: 'Step', means: 'One of the days in a batch’s chain, or one of the days of its hardening ladder.' },
  {
    word: 'Transplant date',
    means: 'The day you ask for: when a batch is to go out. A few days about it are as good.',
  },
  { word: 'Zone', means: 'A heated bench or chamber with its heater, sensor and controller.' },
]);
