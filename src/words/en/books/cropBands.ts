import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the books screens: CropBands. */
export const WORDS = catalogue({
  comfortable: 'comfortable',
  grows: 'grows',
  sown: 'sown',
  hardenedBears: 'hardened, bears',
  andAbove: ' and above',
  to: (to: number) => ` to ${to}`,
  aNightUnderChecksIt: (checkNight_C: number, unit: string) => `a night under ${checkNight_C}°${unit} checks it`,
  uprightBarsBestToSow: (undefined: Part, dliLeast: Part, dliGood: Part) =>
    rich`Upright bars: best to sow at, fastest growth.${undefined} Light: leggy under ${dliLeast}, good at ${dliGood} mol/m² a day.`,
  dashesANightUnderChecks: (checkNight_C: number, unit: string) =>
    ` Dashes: a night under ${checkNight_C}°${unit} checks it before hardening.`,
});
