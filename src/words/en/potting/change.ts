import { catalogue } from '../../catalogue.ts';

/** What server/potting/change.ts says. */
export const WORDS = catalogue({
  firstHand: 'first hand',
  noSuchSession: 'No such session',
  thereIsNoPottingSession: (id: number) => `There is no potting session number ${id}.`,
  isOnlyWhatIsUp: (name: string, phase: string) => `${name} is ${phase}: only what is up can be potted.`,
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedThisSessionSince: 'Someone changed this session since you opened it.',
  chooseAPotCellsOr: 'Choose a pot, cells or blocks from the book of containers.',
  thereIsNoSuchBatch: 'There is no such batch.',
  thereIsNoSuchMix: 'There is no such mix.',
  thereIsNoSuchFeed: 'There is no such feed; choose one of the book.',
  thereIsNoSuchPlace: 'There is no such place.',
  thatBatchIsNotIn: 'That batch is not in this session.',
  logWhatHasHappenedIs: (day: string) => `Log what has happened: ${day} is still to come.`,
  pot: (name: string) => `pot: ${name}`,
  pottingBatch: (code: string) => `potting, batch ${code}`,
  thereIsNoSuchThing: 'There is no such thing in stock.',
  someoneChangedTheSettingsSince: 'Someone changed the settings since you opened them.',
  isPottedInThisSession: (name: string) => `${name} is potted in this session; it stays in it.`,
});
