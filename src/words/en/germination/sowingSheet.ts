import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the germination screens: SowingSheet. */
export const WORDS = catalogue({
  sown: (name: string, cells: number, kind: string) => `${name}: ${cells} sown, ${kind}`,
  keptOnThisDeviceUntil: 'kept on this device until there is a connection',
  sowingSheet: 'Sowing sheet',
  andTheWeekToCome: (today: string, linesCount: string, counted: string, volume: string) =>
    `${today} and the week to come: ${linesCount}, ${counted}, ${volume} of sowing mix`,
  labelsOn: 'Labels on',
  usedAlready: 'Used already',
  pdf: (trays: string) => `${trays}, PDF`,
  printTheSheet: 'Print the sheet',
  nothingIsToBeSown: 'Nothing is to be sown this week.',
  byDay: (place_C: string) => `, ${place_C} by day`,
  label: (name: string) => `Label ${name}`,
  late: (dueOn: number) => `${dueOn} late`,
  on: (dueOn: string) => `on ${dueOn}`,
  inOf: (cells: Part, trays: Part, perTray: Part, container: Part, lot: Part, part: Part, light: Part, link: Part) =>
    rich`${cells} in ${trays} of ${perTray} (${container})${lot}; ${part}${light}. ${link}`,
  lot: (lot: string) => `, lot ${lot}`,
  deep: (round: number, lengthUnit: string) => ` ${round} ${lengthUnit} deep`,
  howMany: 'How many?',
  sown2: 'Sown',
  aTrayIsSown: 'A tray is sown',
  ofSown: (n: number, trays: number) => `${n} of ${trays} sown`,
  thatIsAll: 'That is all',
  batch: 'batch',
  batches: 'batches',
  tray: 'tray',
  label2: 'label',
  inLight: 'on the surface, in light',
  inTheDark: 'in the dark,',
  covered: 'covered',
});
