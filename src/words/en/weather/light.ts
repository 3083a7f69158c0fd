import { catalogue } from '../../catalogue.ts';

/** What core/weather/light.ts says. */
export const WORDS = catalogue({
  shareOfLightThroughThe: 'share of light through the glazing',
  shareShaded: 'share shaded',
  hoursOfLamps: 'hours of lamps',
  lampsMicromolPerM2And: 'lamps, micromol per m2 and s',
});
