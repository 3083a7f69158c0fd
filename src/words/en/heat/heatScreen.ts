import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the heat screens: HeatScreen. */
export const WORDS = catalogue({
  heatedZones: 'Heated zones',
  byHand: (set_C: string) => `${set_C}, by hand`,
  set: (set_C: string) => `set ${set_C}`,
  set2: (set_C: string, status: string) => `set ${set_C}${status}`,
  notChecked: ', not checked',
  allZonesToday: (money: string) => `all zones today, ${money}`,
  alarms: 'Alarms',
  addAZone: 'Add a zone',
  trainingNight: 'Training night',
  readingsInAndOut: 'Readings in and out',
  tariffAndQuietHours: 'Tariff and quiet hours',
  connectionLostReconnectingFiguresAre: (timeZone: string) =>
    `Connection lost; reconnecting. Figures are from ${timeZone}.`,
  readByHand: 'read by hand ',
  readAt: 'at ',
  howItIsBuilt: 'How it is built',
  setPoint: (setWhy: string) => `Set-point: ${setWhy}.`,
  medium: (set_C: string) => `medium, ${set_C}`,
  heaterOnToday: 'heater on today',
  notMeasuredWithoutAController: 'not measured without a controller',
  usedToday: (money: string) => `used today, ${money}`,
  outsideItStillHoldsAs: 'outside it still holds, as covered at night',
  onlyItWillNotHold: 'only: it will not hold a usual night',
  ifStuckOnInThe: 'if stuck on, in the end',
  heatUsedIn: (name: string) => `Heat used in ${name}`,
  heatUsed: 'Heat used',
  kwh: 'kWh',
  cost: 'Cost',
  theSensorIsNotBelieved: (percent: string, unit: string) =>
    `The sensor is not believed. The heater runs at most ${percent} of the time, what the model says this zone needs; the model has the medium at ${unit}.`,
  noControllerNothingWatchesThis:
    'No controller: nothing watches this zone between readings and no alarm is raised. Set the thermostat by hand to what the plan gives and read the thermometer morning and evening.',
  ifThePowerGoesNow: 'If the power goes now',
  nothingStandsOnIt: 'Nothing stands on it.',
  workedOutFromAReading: 'Worked out from a reading by hand of the last six hours: read it first.',
  noReadingsYet: 'No readings yet.',
  to: (name: Part, harm_C: Part) => rich`${name} to ${harm_C}`,
  asCoveredAtNightWith: (bare_h: string, more_h: string) =>
    `As covered at night. With nothing over it ${bare_h}; with one cover more ${more_h}. By the model from what is read now, a cold night of the month and a house that cools as well; no sun is reckoned with.`,
  whatIf: 'What if',
  onAUsualNight: (words: Part, change_frac: Part, holds: Part) =>
    rich`${words}: ${change_frac} on a usual night, ${holds}`,
  lessHeat: (percent: string) => `${percent} less heat`,
  timesTheHeat: (decimal: string) => `${decimal} times the heat`,
  holdsTo: (holdsTo_C: string) => `holds to ${holdsTo_C}`,
  failsBelow: (holdsTo_C: string) => `fails below ${holdsTo_C}`,
  sensors: 'Sensors',
  neverChecked: 'never checked',
  offsetChecked: (offset_K: Part, checkedOn: Part, today: Part) =>
    rich`offset ${offset_K}, checked ${checkedOn}${today}`,
  dueAgain: ' due again',
  electricityWithWaterAResidual:
    'Electricity with water: a residual-current device on every bench, drip loops, fittings rated for wet places, no leads in a chain. Fixed wiring is for a licensed electrician; local codes and the maker’s label go before anything said here.',
  off: 'off',
  kwhSinceKgCo: (seasonFrom: string, money: string, co2_kg: number) =>
    `kWh since ${seasonFrom}, ${money}; ${co2_kg} kg CO₂`,
  thisMonth: 'This month',
  thisSeason: 'This season',
  todayHead: 'Today',
  downTo: (temperature: string) => `to ${temperature}`,
});
