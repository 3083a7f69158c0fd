import { catalogue } from '../../catalogue.ts';

/** Words of the hardening screens: HouseHardening. */
export const WORDS = catalogue({
  staffedFromHour: 'Staffed from, hour',
  staffedUntilHour: 'Staffed until, hour',
  traysPerTrip: 'Trays per trip',
  minutesPerTrip: 'Minutes per trip',
  caution: 'Caution',
  ofAForecastsUsualError: 'of a forecast’s usual error kept off a floor: 0 bold, 0.5 usual, 1 careful',
  lidsAndDoorsOpen: 'Lids and doors open',
  forTheSchoolsThatGo: 'for the schools that go by a temperature',
  aLayerOfCoverIs: 'A layer of cover is worth',
  degreesOnTheNight: 'degrees on the night',
  gate: (toLowerCase: string) => `Gate: ${toLowerCase}`,
  nightsInARow: 'Nights in a row',
  daysOfWarmSoil: 'Days of warm soil',
  acceptedFrostRisk: 'Accepted frost risk',
  daysLookedAheadForFrost: 'Days looked ahead for frost',
  daysLookedAheadForStorms: 'Days looked ahead for storms',
  highestGustAfterPlanting: 'Highest gust after planting',
  aDateIsUnlikelyBelow: 'A date is unlikely below',
  words035Is35Springs: '0.35 is 35 springs of 100',
  isAGale: (gALE_m_s: string) => `${gALE_m_s} is a gale`,
  saveIt: 'Save it',
});
