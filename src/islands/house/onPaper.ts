import type { PlaceWater, WaterTray } from '../../contracts/watering/water.ts';

/** Trays of a place whose water stands on the round on paper: those that want it, and those to look at first. */
export const onPaper = (water: PlaceWater | null): readonly WaterTray[] =>
  water === null ? [] : water.trays.filter(({ want }) => want === 'now' || want === 'look');
