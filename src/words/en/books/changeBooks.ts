import { catalogue } from '../../catalogue.ts';

/** What server/books/changeBooks.ts says. */
export const WORDS = catalogue({
  thingInTheStock: 'thing in the stock',
  thatLineOfTheBooks: 'That line of the books is not there, or batches hold on to it.',
  inUse: 'In use',
  thisIsUsedAndCannot: (part: string, join: string) =>
    `This ${part} is used and cannot be deleted: ${join}. Retire it instead: it goes from all choices and stays in what happened.`,
  plantsStandThere: 'Plants stand there',
  andMore: (codesCount: number) => ` and ${codesCount} more`,
  noSuch: (part: string) => `No such ${part}`,
  thereIsNoNumber: (part: string, id: number) => `There is no ${part} number ${id}.`,
  changedBySomeoneElse: 'Changed by someone else',
  someoneChangedTheSettingsSince: 'Someone changed the settings since you opened them.',
  withItsCropsFigures: (message: string) => `With its crop's figures: ${message}.`,
  chooseAPartOfMixes: 'Choose a part of mixes from the book of stock.',
  thereIsNoSuchContainer: 'There is no such container.',
  sayWhichContainerOfThe: 'Say which container of the book it is, so that sessions take from it.',
  partsOfMixesAreMeasured: 'Parts of mixes are measured in litres.',
  theTestIsMoreThan: 'The test is more than ten years older than the lot.',
  thereOrPlannedToPut: (there_count: number, codes: string, more: string) =>
    `${there_count === 1 ? '1 batch stands there or is' : `${there_count} batches stand there or are`} planned to: ${codes}${more}. Put them elsewhere first; then retire the place.`,
  thereIsAOfThis: (book: string) => `There is a ${book} of this name already; it may be retired.`,
  someoneChangedThisSinceYou: 'Someone changed this since you opened it. Both versions are kept here; choose.',
  writeDownTheUsualTemperatures:
    'Write down the usual temperatures outside first, in the settings; or write this place down by periods.',
  overIsForSeedBalls:
    'Over 100% is for seed balls, which hold several seeds; say so in the book of crops if this is one.',
  jobOfTheHouse: 'job of the house',
  scale: 'scale',
  onlyPartsOfMixesHold: 'Only parts of mixes hold water; leave it empty',
  thereIsNoSuchFeed: 'There is no such feed; choose one of the book',
  feedIsWeighedOrMeasured: 'Only feed counted in g or mL can be a feed of the book',
  noSuchLineChooseAnother: 'There is no such line; choose another',
});
