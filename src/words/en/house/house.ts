import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the house screens: House. */
export const WORDS = catalogue({
  loggedMovedTo: (name: string, placeId: string) => `Logged: ${name} moved to ${placeId}.`,
  to: (name: string, placeId: string) => `${name} to ${placeId}`,
  planOfTheHouse: 'Plan of the house',
  season: 'Season',
  aDayBack: 'A day back',
  dayShown: 'Day shown',
  aDayOn: 'A day on',
  dayShownAsADate: 'Day shown, as a date',
  stop: 'Stop',
  playTheSeason: 'Play the season',
  today: 'Today',
  besideThePlan: 'Beside the plan',
  chosenBatch: 'Chosen batch',
  inTo: (trays: Part, part: Part, placeId: Part, from: Part, to: Part, code: Part) =>
    rich`${trays} ${part} in ${placeId}, ${from} to ${to} · ${code}`,
  open: (code: string) => `open ${code}`,
  carryItNowTo: 'Carry it now to',
  letItStandIn: 'Let it stand in',
  itStandsThereAlreadyOn: 'It stands there already. On today’s date it can be carried elsewhere, which is logged.',
  in: (placeId: string, late_days: string, newOverCount: string) => `In ${placeId}: ${late_days}${newOverCount}`,
  itCannotBeReachedThere: 'it cannot be reached there',
  andThereIsRoom: ', and there is room.',
  overByTo: (placeId: Part, counted: Part, from: Part, shortDay: Part) =>
    rich`${placeId} over by ${counted}, ${from} to ${shortDay}`,
  traySpace: 'tray space',
  logTheMove: 'Log the move',
  keep: 'Keep',
  drop: 'Drop',
  pressABatchsTraysTo: 'Press a batch’s trays to see it; drag them to another place, or choose it here.',
  place: 'Place',
  temperature: 'Temperature',
  traySpaces: 'Tray spaces',
  of: (used: number, room_trays: number) => `${used} of ${room_trays}`,
  tray: 'tray',
});
