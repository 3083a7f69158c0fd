/** Air of a night after which a hose outside may be frozen in the morning, until when it is, and from when on the coming night is told. Common practice, no source. */
const HOSE = { least_C: -1, until_h: 11, tonight_h: 12 } as const;
const NIGHT_ms = 12 * 3_600_000;

/** What frost does to the hose and taps outside. */
export interface HoseFrost {
  /** They may be frozen this morning. */
  readonly frozen: boolean;
  /** Frost is told for the coming night: tomorrow morning they will be. */
  readonly tonight: boolean;
}

/**
 * Whether water can be had outside.
 * @param outside air outside by the hour, in the order of time
 * @param hour of the nursery's clock now, 0 to 23
 * @param next_ms when the house is looked at next
 */
export function hoseFrost(
  outside: readonly { readonly at_ms: number; readonly temp_C: number }[],
  now_ms: number,
  hour: number,
  next_ms: number,
): HoseFrost {
  const freezes = (from_ms: number, to_ms: number): boolean =>
    outside.some(({ at_ms, temp_C }) => at_ms > from_ms && at_ms <= to_ms && temp_C < HOSE.least_C);
  return {
    frozen: hour < HOSE.until_h && freezes(now_ms - NIGHT_ms, now_ms),
    tonight: hour >= HOSE.tonight_h && freezes(now_ms, next_ms),
  };
}
