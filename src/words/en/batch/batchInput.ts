import { catalogue } from '../../catalogue.ts';

/** What server/batch/batchInput.ts says. */
export const WORDS = catalogue({
  isOutsideTheSeasonsWorked: (iso: string, isoFromDay: string, isoFromDay2: string) =>
    `${iso} is outside the seasons worked out: from ${isoFromDay} to ${isoFromDay2}.`,
  weeksIsOlderThanIs: (age_weeks: undefined | number | null, name: string, weeksLow: number, weeksHigh: number) =>
    `${age_weeks} weeks is older than ${name} is when it is planted out (${weeksLow} to ${weeksHigh} weeks): say the age from sowing.`,
  thisWasRetiredChooseAnother: 'This was retired. Choose another, or bring it back into use in its book.',
  thisIsNotAVariety: 'This is not a variety of that crop.',
  thisIsNotALot: 'This is not a lot of that variety.',
  thereIsNoSuchPlace: 'There is no such place.',
  thereIsNoSuchCover: 'There is no such cover.',
  chooseATrayToSow: 'Choose a tray to sow in.',
  chooseAPotCellsOr: 'Choose a pot, cells or blocks to set them into.',
  transplantDate: 'transplant date',
  plantsWanted: 'plants wanted',
  spareShare: 'spare share',
  hardeningDays: 'hardening days',
  sowingTray: 'sowing tray',
  daysOfTheWork: 'days of the work',
  daysBeforeTheDate: 'days before the date',
  daysAfterTheDate: 'days after the date',
  howSure: 'how sure',
  howMuchItMatters: 'how much it matters',
  sizeAtPlantingOut: 'size at planting out',
  plugsBoughtIn: 'plugs bought in',
  ruleOffTheHeat: 'rule off the heat',
  programmeOfHardening: 'programme of hardening',
  gatesOfPlantingOut: 'gates of planting out',
  to: (part: undefined | string, string: string, string2: string) => `${part} ${string} to ${string2}`,
  variety: 'variety',
  lot: 'lot',
  pot: 'pot',
  cover: 'cover',
  thePlugsComeOnOr: (transplantOn: string) =>
    `The plugs come on or after ${transplantOn}, when they are to go out; choose an earlier day.`,
  thereIsNoSuchCrop: 'There is no such crop; choose one from the book.',
  thereIsNoSuchProgramme: 'There is no such programme; choose one from Harden.',
});
