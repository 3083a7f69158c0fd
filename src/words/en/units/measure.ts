import { catalogue } from '../../catalogue.ts';

/** What core/units/measure.ts says. */
export const WORDS = catalogue({
  sqFt: 'sq ft',
  wSqFt: 'W/sq ft',
  cuFtMin: 'cu ft/min',
  rHSqFtF: 'R (h·sq ft·°F/BTU)',
});
