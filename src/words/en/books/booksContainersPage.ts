import { catalogue } from '../../catalogue.ts';

/** Words of the page books/containers. */
export const WORDS = catalogue({
  name: 'Name',
  kind: 'Kind',
  trayOfCells: 'tray of cells',
  seedTray: 'seed tray',
  trayOfBlocks: 'tray of blocks',
  cellsOrBlocksOrPlants: 'Cells or blocks, or plants of a seed tray',
  potsToACarryingTray: 'Pots to a carrying tray',
  words1ForTrays: '1 for trays',
  roomItTakesStandardTrays: 'Room it takes, standard trays',
  mixOfAPotOr: (unitOf: string | number) => `Mix of a pot, or of a whole tray, ${unitOf}`,
  containers: 'Containers',
  traysAndPots: 'Trays and pots',
  cells: 'Cells',
  toACarryingTray: 'To a carrying tray',
  roomTrays: 'Room, trays',
  litres: 'Litres',
  measures: 'Measures',
  toHigh: (section: string | number, top_mm: string | number, base_mm: string | number, height_mm: string | number) =>
    `${section}, ${top_mm} to ${base_mm}, ${height_mm} high`,
  change: (name: string | number) => `Change ${name}`,
  addAContainer: 'Add a container',
  words1ForAPot: '1 for a pot',
  rowsOfCells: 'Rows of cells',
  alongTheShortSide: 'Across the short side, for counting in a photo; 8 of a tray of 8 by 13. Empty: the usual shape',
});
