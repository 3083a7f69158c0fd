/** A scale under trays of a batch, known by the name its device has on MQTT. */
export interface Scale {
  readonly id: number;
  readonly name: string;
  readonly device: string;
  /** Batch that stands on it; null: none. */
  readonly batchId: number | null;
  /** Trays on it. */
  readonly trays: number;
  /** What stands on it besides: a board, a drip tray. */
  readonly tare_g: number;
}

export type ScaleRecord = Scale & { readonly version: number; readonly retiredOn: string | null };

/** What is kept of a scale from one weight to the next. */
export interface ScaleState {
  readonly last_g: number;
  readonly at_ms: number;
  /** Last weight of one tray that two readings agreed on; null: none yet. */
  readonly steady_g: number | null;
  /** When a weight was last written; null: never. */
  readonly written_ms: number | null;
}

/** What a weight comes to. */
export interface ScaleSays {
  readonly state: ScaleState;
  /** It was watered since the last steady weight. */
  readonly watered: boolean;
  /** Weight of one tray to be written; null: none. */
  readonly weight_g: number | null;
}

/** Two readings agree within this: wind, a drip. Common practice, no source. */
const AGREE = { g: 20, frac: 0.01 } as const;
/** A rise by this share of its water is a watering: a hand that leans on it does not last for two readings. Common practice, no source. */
const WATERED = { frac: 0.12, g: 60 } as const;
/** Lighter than this nothing stands on it. */
const OFF_g = 20;
const EVERY_ms = 3_600_000;

/**
 * What the next weight of a scale comes to. Readings that come late, or while nothing stands on it, say nothing.
 * @param gross_g as the scale reads
 * @param water_L what one tray holds between watered and wilting
 */
export function scaleReads(
  before: ScaleState | null,
  { at_ms, gross_g }: { readonly at_ms: number; readonly gross_g: number },
  { trays, tare_g }: Pick<Scale, 'trays' | 'tare_g'>,
  water_L: number,
): ScaleSays {
  const last_g = (gross_g - tare_g) / trays;
  if (before && at_ms <= before.at_ms) return { state: before, watered: false, weight_g: null };
  const state: ScaleState = { steady_g: null, written_ms: null, ...before, last_g, at_ms };
  const quiet = { state, watered: false, weight_g: null };
  if (last_g < OFF_g || before === null) return quiet;
  const agree = Math.abs(last_g - before.last_g) <= Math.max(AGREE.g, AGREE.frac * last_g);
  if (!agree) return quiet;
  const rise = before.steady_g === null ? 0 : last_g - before.steady_g;
  const watered = rise > Math.max(WATERED.g, WATERED.frac * 1000 * water_L);
  const write = watered || before.written_ms === null || at_ms - before.written_ms >= EVERY_ms;
  return {
    state: { ...state, steady_g: last_g, written_ms: write ? at_ms : before.written_ms },
    watered,
    weight_g: write ? Math.round(last_g) : null,
  };
}
