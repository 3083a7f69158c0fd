import { catalogue } from '../../catalogue.ts';

/** What core/heat/hotBed.ts says. */
export const WORDS = catalogue({
  depthOfTheHeapM: 'depth of the heap, m',
  lengthOfTheHotBed: 'length of the hot bed, m',
  widthOfTheHotBed: 'width of the hot bed, m',
});
