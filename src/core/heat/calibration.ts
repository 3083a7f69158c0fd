import { WORDS } from '../../words/en/heat/calibration.ts';
/** What a sensor showed in stirred melting ice, or beside another. */
export type IcePoint =
  | { readonly kind: 'stable'; readonly offset_K: number; readonly spread_K: number; readonly readings: number }
  | { readonly kind: 'not-yet'; readonly why: string };

/** A minute of readings within a tenth of a kelvin and near ice. Common practice, no source. */
const STABLE_s = 60;
const STABLE_K = 0.13;
const MOST_OFFSET_K = 5;

/**
 * Offset of a sensor in melting ice: the mean of the last minute less the true 0. The offset is taken from every reading.
 * @param readings in order of time, uncorrected
 * @returns not-yet with the reason while it is not stable
 * @source ice point 0 C; stirred ice and water, a minute, some 5 cm deep: common practice, no source
 */
export function icePoint(
  readings: readonly { readonly at_s: number; readonly value_C: number }[],
  true_C = 0,
): IcePoint {
  const last = readings.at(-1);
  if (!last) return { kind: 'not-yet', why: WORDS.noReadingHasComeYet };
  const minute = readings.filter((r) => r.at_s >= last.at_s - STABLE_s);
  const values = minute.map((r) => r.value_C);
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const spread_K = Math.max(...values) - Math.min(...values);
  const covered = last.at_s - minute[0]!.at_s;
  if (minute.length < 4 || covered < STABLE_s * 0.7) return { kind: 'not-yet', why: WORDS.waitAMinuteOfReadings };
  if (spread_K > STABLE_K) return { kind: 'not-yet', why: WORDS.stillMovingKInA(spread_K.toFixed(2)) };
  if (Math.abs(mean - true_C) > MOST_OFFSET_K)
    return {
      kind: 'not-yet',
      why: WORDS.itReadsKFromThe(mean.toFixed(1), Math.abs(mean - true_C).toFixed(1), true_C.toFixed(1), MOST_OFFSET_K),
    };
  return { kind: 'stable', offset_K: mean - true_C, spread_K, readings: minute.length };
}

/** Days after which a sensor is to be checked again. Common practice, no source: every season, here 180 days. */
export const CHECK_AGAIN_days = 180;
