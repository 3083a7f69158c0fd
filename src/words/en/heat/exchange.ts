import { catalogue } from '../../catalogue.ts';

/** What server/heat/exchange.ts says. */
export const WORDS = catalogue({
  chooseTheZoneTheReadings: 'Choose the zone the readings are of.',
  timeZoneANameSuch: 'Time zone: a name such as Europe/London.',
  thereIsNoColumnIn: (column: string) => `There is no column "${column}" in the file.`,
  tooManyLines: 'Too many lines',
  isNotATimeSuch: (slice: string) => `"${slice}" is not a time such as 2027-03-01 06:30`,
  itLiesInTheFuture: 'it lies in the future',
  noSuchZone: 'No such zone',
  thereIsNoHeatedZone: (zoneId: number) => `There is no heated zone number ${zoneId}.`,
  thereIsNoColumnThe: (timeColumn: string, fields: string) =>
    `There is no column "${timeColumn}"; the file has ${fields}.`,
  atMostLinesAtOnce: (mostLines: number) => `At most ${mostLines} lines at once; cut the file in two.`,
  notAShareFromTo: 'not a share from 0 to 1',
});
