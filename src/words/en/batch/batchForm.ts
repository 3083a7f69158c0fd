import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the batch screens: BatchForm. */
export const WORDS = catalogue({
  stages: {
    germinate: 'Germinates in',
    grow: 'Grows on in',
    pot: 'In the pot in',
    space: 'Spaced out in',
    harden: 'Hardens in',
  },
  thisBatchIsChangedThe: (rest: string) => `This batch is changed, the others are not: ${rest}`,
  plantsWanted: 'Plants wanted',
  transplantDate: 'Transplant date',
  variety: 'Variety',
  notSaid: 'not said',
  lot: 'Lot',
  goesOutUnder: 'Goes out under',
  noCover: 'no cover',
  hardenedBy: 'Hardened by',
  theUsualOfItsKind: 'the usual of its kind',
  wouldBeOverRoomBy: (name: Part, counted: Part, from: Part, shortDay: Part) =>
    rich`${name} would be over room by ${counted}, ${from} to ${shortDay}.`,
  traySpace: 'tray space',
  placeItForMe: 'Place it for me',
  whereItGoes: 'Where it goes',
  whereItWasPotted: 'where it was potted',
  noPlace: 'no place',
  sownIn: 'Sown in',
  pottedInto: 'Potted into',
  staysInItsTray: 'stays in its tray',
  hardeningDays: 'Hardening days',
  overplanting: 'Overplanting, %',
  note: 'Note',
  pottedTraysOfSpacedTray: (cells: Part, name: Part, cells2: Part) =>
    rich`; potted ${cells} trays of ${name}, spaced ${cells2} tray spaces`,
  cellsIn: (cells: Part, counted: Part) => rich`${cells} cells in ${counted}`,
  saveTheChange: 'Save the change',
  makeThisBatch: 'Make this batch',
  makeTheseBatches: 'Make these batches',
  outsideItsRange: ' (outside its range)',
  notAPlaceForIt: (name: string) => `${name} (not a place for it)`,
  tray: 'tray',
});
