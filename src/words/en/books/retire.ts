import { catalogue } from '../../catalogue.ts';

/** What db/books/retire.ts says. */
export const WORDS = catalogue({
  linesJustWritten: 'lines just written',
  trayOfYearsBefore: 'tray of years before',
  traysOfYearsBefore: 'trays of years before',
  batchByItsPlan: 'batch by its plan',
  batchesByTheirPlans: 'batches by their plans',
  lineOfALog: 'line of a log',
  linesOfLogs: 'lines of logs',
  heatedZone: 'heated zone',
  heatedZones: 'heated zones',
  structureOrCover: 'structure or cover',
  structuresOrCovers: 'structures or covers',
  lineOfItsHotBed: 'line of its hot bed',
  linesOfItsHotBed: 'lines of its hot bed',
  pottingSession: 'potting session',
  pottingSessions: 'potting sessions',
  thingInTheStock: 'thing in the stock',
  thingsInTheStock: 'things in the stock',
  settingOfHowTheHouse: 'setting of how the house pots',
  settingsOfHowTheHouse: 'settings of how the house pots',
  lineOfTheStocksLog: 'line of the stock’s log',
  linesOfTheStocksLog: 'lines of the stock’s log',
  plantingOut: 'planting out',
  plantingsOut: 'plantings out',
});
