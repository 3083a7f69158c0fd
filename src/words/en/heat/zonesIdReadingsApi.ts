import { catalogue } from '../../catalogue.ts';

/** What pages/api/heat/zones/[id]/readings.ts says. */
export const WORDS = catalogue({
  epochMilliseconds: 'epoch milliseconds',
  afterFrom: 'after from',
});
