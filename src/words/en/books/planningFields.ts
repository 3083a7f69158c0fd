import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the books screens: PlanningFields. */
export const WORDS = catalogue({
  howSeasonsArePlanned: 'How seasons are planned',
  howSureABatchIs: (sure_frac: Part) => rich`How sure a batch is to be ready in its days: ${sure_frac}`,
  surerIsSownSomeDays:
    'Surer is sown some days sooner and takes more heat; Season says how much when a plan is made. One batch may be surer than the house.',
  hoursOfHandsInA: 'Hours of hands in a usual week',
  sowingPottingCarryingPlantingEmpty: 'sowing, potting, carrying, planting; empty: as many as it takes',
  handsAndEmptyPlaces: 'Hands and empty places',
  anEmptyHeatedPlace: 'An empty heated place',
  keptFreeOfFrostEmpty: 'kept free of frost; empty: off',
  minutesToSowATray: 'Minutes to sow a tray',
  minutesToPlantOutA: 'Minutes to plant out a tray',
  weeksWithOtherHours: 'Weeks with other hours',
  itsMonday: 'Its Monday',
  hours: 'Hours',
  why: 'Why',
  takeOut: 'Take out',
  addAWeek: 'Add a week',
});
