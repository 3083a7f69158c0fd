import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the books screens: HotBedPanel. */
export const WORDS = catalogue({
  inTheMiddle: 'in the middle',
  atTheEdge: 'at the edge',
  atTheHottestSpot: 'at the hottest spot',
  notSaid: 'not said',
  theHotBedAsIt: 'The hot bed as it stands',
  noHeapStands: 'No heap stands',
  heapOf: (built: string) => `Heap of ${built}`,
  airUnderTheShutLid: (built: string, underLid_C: string, length: string) =>
    `${built} Air under the shut lid tonight about ${underLid_C}. It sinks to about ${length} deep.`,
  theNextIsPlannedFor: (buildOn: string) => `The next is planned for ${buildOn}.`,
  noDayYet: 'no day yet',
  atItsWarmestAbout: (peakOn: string, view: string) => `At its warmest about ${peakOn}. ${view}`,
  kept: 'Kept.',
  day: 'Day',
  who: 'Who',
  stickThermometer: (unit: string) => `Stick thermometer, °${unit}`,
  putIn: 'Put in',
  keepTheReading: 'Keep the reading',
  thatDay: (part: string) => `${part} that day`,
  withdraw: (part: string, on: string) => `Withdraw: ${part} ${on}`,
  withdraw2: 'Withdraw',
  notReadYetWhatFollows: 'Not read yet: what follows is what such heaps usually give.',
  asMuch: 'as much',
  byItGivesHeatUsual: (readings: string, says: string, percent: string) =>
    `By ${readings} it gives ${says} heat ${percent} usual.`,
  mediumByDayDarkAnd: (least_C: Part) => rich`Medium by day (dark) and by night (plum) in figures${least_C}`,
  weekOf: 'Week of',
  byDay: 'By day',
  byNight: 'By night',
  reading: 'reading',
  as: 'as',
  than: 'than',
  dashedTheWanted: (least_C: string) => `; dashed: the ${least_C} wanted`,
});
