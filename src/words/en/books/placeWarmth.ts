import { catalogue } from '../../catalogue.ts';

/** Words of the books screens: PlaceWarmth. */
export const WORDS = catalogue({
  whereItsTemperatureComesFrom: 'Where its temperature comes from',
  setPointsItMayHave: (unit: string) => `Set-points it may have, °${unit}`,
  usualSetPointOrOff: (unit: string) => `Usual set-point, °${unit}, or off`,
  coolerByNightBy: (unit: string) => `Cooler by night by, °${unit}`,
  unheatedAboveOutsideBy: (unit: string) => `Unheated, above outside by, °${unit}`,
  heatLostWattsForEach: 'Heat lost, watts for each °F',
  heatLostWattsForEach2: 'Heat lost, watts for each kelvin',
  aBenchUnderFleeceOr: (unit: string, area: string, unit2: string, unit3: string) =>
    `A bench under fleece or film in a cold house loses about ${unit} (from a heated box that took 1.65 kWh a day on ${area} at ${unit2} to ${unit3}; common practice, no source). The planner changes set-points by the week, and only to those written here.`,
  warmerThanOutsideByDay: (unit: string) => `Warmer than outside by day by, °${unit}`,
  warmerThanOutsideByNight: (unit: string) => `Warmer than outside by night by, °${unit}`,
  wForEachAnd: (figure: number, unit: string, inch: string) => `${figure} W for each ${unit} and ${inch}`,
  squareFoot: 'square foot',
  squareMetre: 'square metre',
  fromTheLeft: (unitOf: string) => `From the left, ${unitOf}`,
  fromTheBack: (unitOf: string) => `From the back, ${unitOf}`,
  width: (unitOf: string) => `Width, ${unitOf}`,
  depth: (unitOf: string) => `Depth, ${unitOf}`,
  onThePlanOfThe: 'On the plan of the house',
  drawnToItsSizeAnd: 'drawn to its size and place',
  closedDays: 'Closed days',
  daysOnWhichNothingMay: 'Days on which nothing may stand there: cleaning, repair, another use. Both are included.',
  closedFrom: 'Closed from',
  takeOut: 'Take out',
  addClosedDays: 'Add closed days',
});
