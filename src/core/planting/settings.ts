import { LAYER_WEEKS, type LayerSchool } from '../weather/coverWorth.ts';
import { CAUTION } from '../hardening/ladder.ts';
import type { Carrying, HomeHours } from '../hardening/orders.ts';
import type { LidSchool } from '../heat/lid.ts';
import { USUAL_MODES, USUAL_RULES, type GateModes, type GateRules } from './gates.ts';
import type { Spacing } from './spacing.ts';

/** How a house hardens and plants out. */
export interface PlantingSettings {
  readonly modes: GateModes;
  readonly rules: GateRules;
  readonly home: HomeHours;
  readonly carrying: Carrying;
  /** Standard deviations kept between a forecast low and a rung's floor. */
  readonly caution: number;
  readonly layerSchool: LayerSchool;
  readonly layer_weeks: number;
  readonly lidSchool: LidSchool;
  /** Odds below which a date is called unlikely. */
  readonly unlikely_frac: number;
  /** Distances by crop name, where the house has its own. */
  readonly spacing: Readonly<Record<string, Spacing>>;
}

/** Common practice, no source. */
export const USUAL_PLANTING: PlantingSettings = {
  modes: USUAL_MODES,
  rules: USUAL_RULES,
  home: { from_h: 7, to_h: 19 },
  carrying: { trays_per_trip: 2, trip_min: 1.5 },
  caution: CAUTION,
  layerSchool: 'degrees',
  layer_weeks: LAYER_WEEKS,
  lidSchool: { kind: 'model' },
  unlikely_frac: 0.35,
  spacing: {},
};
