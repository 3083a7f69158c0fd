import { catalogue } from '../../catalogue.ts';

/** What core/numerics/student.ts says. */
export const WORDS = catalogue({
  degreesOfFreedom: 'degrees of freedom',
});
