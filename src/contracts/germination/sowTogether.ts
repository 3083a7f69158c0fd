import type { Crop } from '../../core/books/crop.ts';
import type { CoolSchool } from '../../core/plan/placement/coolCap.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';

/** Lots to be sown and the warm places they could share. */
export interface SowTogetherData {
  readonly today: number;
  readonly unit: TemperatureUnit;
  readonly coolSchool: CoolSchool;
  readonly coolMost_C: number;
  readonly lots: readonly {
    readonly id: number;
    readonly name: string;
    readonly code: string;
    readonly cropId: number;
    readonly trays: number;
    readonly sowOn: number;
  }[];
  readonly crops: readonly Crop[];
  readonly chambers: readonly {
    readonly id: number;
    readonly name: string;
    readonly lit: boolean;
    /** Set-points it may have; empty for a place that is not set. */
    readonly levels_C: readonly number[];
    readonly now_C: number;
  }[];
}
