import { catalogue } from '../../catalogue.ts';

/** Words of the page house/people. */
export const WORDS = catalogue({
  nameOrRole: 'Name or role',
  initials: 'Initials',
  leftEmptyFromTheName: 'Left empty: from the name',
  mark: 'Mark',
  shownBesideWhatTheyWrote: 'Shown beside what they wrote',
  people: 'People',
  peopleOfTheHouse: 'People of the house',
  whoeverHoldsADeviceIs:
    'Whoever holds a device is chosen at the top of each page. What is written then carries their mark. Nobody signs in: only this machine reaches Crook.',
  everybodySignsIn: 'Everybody signs in. What is written carries their mark.',
  whatWasChanged: 'What was changed, and by whom',
  role: 'Role',
  roleHint: 'Counts where people sign in; each may also do what those before it may.',
  change: (name: string | number) => `Change ${name}`,
  addAPerson: 'Add a person',
  save: 'Save',
  add: 'Add',
});
