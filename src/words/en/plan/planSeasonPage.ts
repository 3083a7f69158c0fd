import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the page plan/season. */
export const WORDS = catalogue({
  season: 'Season',
  plantsNeedSomewhereToStand: (link: Part) => rich`Plants need somewhere to stand first: write down your ${link}.`,
  places: 'places',
  nothingIsPlannedYetSay: (link: Part) =>
    rich`Nothing is planned yet. Say what you want to raise; Crook finds the days and the places. A list kept elsewhere can be pasted, or ${link}.`,
  readInAsAFile: 'read in as a file',
  theDrawingNeedsScriptThe: 'The drawing needs script; the table below says the same.',
  seasonAsATable: 'Season as a table',
  theSeasonAsATable: 'The season as a table',
  tableOfAllBatches: 'Table of all batches',
  howItStands: 'How it stands',
  batch: 'Batch',
  code: 'Code',
  wanted: 'Wanted',
  plants: 'Plants',
  sow: 'Sow',
  halfUp: 'Half up',
  potUp: 'Pot up',
  harden: 'Harden',
  plantOut: 'Plant out',
});
