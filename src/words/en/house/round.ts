import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the house screens: Round. */
export const WORDS = catalogue({
  keptHere: 'kept on this device',
  undoneOnTheRound: 'undone on the round',
  undoIsKeptOnThis: 'Undo is kept on this device.',
  undone: (name: string) => `${name}: undone.`,
  todaysRound: "Today's round",
  nothingDue: 'nothing due',
  late: (late: number) => `, ${late} late`,
  print: 'Print',
  undo: 'Undo',
  nothingWaitsToday: 'Nothing waits today',
  workComesFromTheBatches: (link: Part, link2: Part) =>
    rich`Work comes from the batches’ chains. ${link}, or look at what comes in ${link2}.`,
  makeABatch: 'Make a batch',
  season: 'Season',
  theJobInHand: 'The job in hand',
  ofTraySpaces: (room_trays: Part, used_slots: Part, room_trays2: Part) =>
    rich`${room_trays}${used_slots} of ${room_trays2} tray spaces`,
  overRoom: 'over room: ',
  tray: 'tray',
  trays: 'trays',
  seed: 'seed',
  late2: (late_days: string) => `${late_days} late`,
  count: (name: string) => `Count ${name}`,
  count2: 'Count',
  noMoreUp: 'No more up',
  noneYet: 'None yet',
  noMoreUp2: 'no more up',
  noneUpYet: 'none up yet',
  noMore: 'No more',
  notToday: (words: string, name: string) => `Not today: ${words}, ${name}`,
  putOffToTomorrow: 'put off to tomorrow',
  notToday2: 'Not today',
  traysToTouchToday: (trays: Part) => rich`${trays} trays to touch today.`,
  thePlumButtonLogsA:
    'The plum button logs a job as it stands. Press the job’s words to change number, day or note first.',
  theWeekAhead: 'The week ahead',
  day: 'Day',
  jobs: 'Jobs',
  trays2: 'Trays',
  waterAndElectricityLiftLeads:
    'Water and electricity: lift leads and plugs clear before you water, and use only benches behind a residual-current device, wired as your local code asks.',
  job: 'job',
  day2: 'day',
  to: (toPlace: string) => `; to ${toPlace}`,
});
