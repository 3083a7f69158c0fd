/** Widths of a day, px: from a whole season to a week on the screen. */
export const ZOOMS = [3, 4.5, 6.5, 9, 13, 20, 40, 90] as const;
/** The zoom a season is opened at. */
export const FIRST_ZOOM = 2;
/** Days that each of the named spans shows at least. */
const SPAN_days = { season: Infinity, month: 35, week: 8 } as const;
export type Span = keyof typeof SPAN_days;

/** The widest days at which the span, or the whole season where that is shorter, is on so much screen. */
export function zoomOf(span: Span, season_days: number, width_px: number): number {
  const days = Math.min(SPAN_days[span], season_days);
  return Math.max(
    0,
    ZOOMS.findLastIndex((perDay_px) => perDay_px * days <= width_px),
  );
}
