import { catalogue } from '../../catalogue.ts';

/** What core/heat/zone.ts says. */
export const WORDS = catalogue({
  lengthOfTheZoneM: 'length of the zone, m',
  widthOfTheZoneM: 'width of the zone, m',
  powerOfTheHeaterW: 'power of the heater, W',
  depthOfTheMediumM: 'depth of the medium, m',
  heightOfTheAirM: 'height of the air, m',
  resistanceOfTheSidesM2: 'resistance of the sides, m2 K/W',
  shareOfTheSun: 'share of the sun',
  thicknessOfM: (material: string) => `thickness of ${material}, m`,
  lossFactor: 'loss factor',
  capacityFactor: 'capacity factor',
});
