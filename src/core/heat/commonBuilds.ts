import { USUAL_ZONE, type ZoneSpec } from './zone.ts';

export const BUILD_KEYS = ['mat-on-shelf', 'cable-in-sand', 'wire-in-concrete', 'chamber', 'hot-bed'] as const;
export type BuildKey = (typeof BUILD_KEYS)[number];

const FOAM_5 = { material: 'foam', thickness_m: 0.05 } as const;
const FOAM_10 = { material: 'foam', thickness_m: 0.1 } as const;

/**
 * Heated benches and chambers as they are commonly built, to begin from. Watts: mats about 120 to 180 W/m2, cables in sand about
 * 100 to 150 W/m2, slabs about 150 W/m2. Common practice, no source; local codes and the maker's label come first.
 */
export const COMMON_BUILDS: Readonly<Record<BuildKey, ZoneSpec>> = {
  'mat-on-shelf': {
    ...USUAL_ZONE,
    length_m: 1.2,
    width_m: 0.6,
    heater: { kind: 'mat', power_W: 100 },
    bed: { material: 'water', thickness_m: 0.006 },
    below: [{ material: 'foam', thickness_m: 0.02 }],
    air_m: 0.15,
    around: { plusDay_K: 8, plusNight_K: 8 },
    sun_frac: 0.3,
  },
  'cable-in-sand': USUAL_ZONE,
  'wire-in-concrete': {
    ...USUAL_ZONE,
    length_m: 6,
    width_m: 1.5,
    heater: { kind: 'slab', power_W: 1350 },
    bed: { material: 'concrete', thickness_m: 0.07 },
    below: [FOAM_10],
    air_m: 0.4,
    around: { plusDay_K: 5, plusNight_K: 4 },
    sun_frac: 0.7,
    cover: { day: 'none', night: 'fleece' },
  },
  chamber: {
    ...USUAL_ZONE,
    length_m: 1.3,
    width_m: 0.8,
    heater: { kind: 'mat', power_W: 150 },
    bed: { material: 'water', thickness_m: 0.006 },
    below: [FOAM_5],
    air_m: 0.4,
    sides_m2K_W: 1.4,
    cover: { day: 'double', night: 'double' },
    around: { plusDay_K: 8, plusNight_K: 8 },
    sun_frac: 0,
    mostSet_C: 32,
  },
  'hot-bed': {
    ...USUAL_ZONE,
    length_m: 2.4,
    width_m: 1.5,
    heater: { kind: 'hot-bed', power_W: 480 },
    bed: { material: 'compost', thickness_m: 0.5 },
    below: [],
    air_m: 0.3,
    cover: { day: 'single', night: 'double' },
  },
};
