import { catalogue } from '../../../catalogue.ts';

/** What core/plan/springs/springs.ts says. */
export const WORDS = catalogue({
  yearsOfWeatherAndNo: (years: number) =>
    `${years} years of weather and no usual temperatures; 5 years or normals wanted`,
});
