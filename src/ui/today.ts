const DAY_min = 1440;

/** When this page was drawn by the application, unless this device had put it away. */
const loadedAt_ms = Date.now();

/** When the application drew this page, by this device's clock: before it was opened, where the device had put it away. */
export const drawnAt_ms = (): number => Number(document.documentElement.dataset['drawnAt'] ?? loadedAt_ms);

/**
 * The day at the nursery now, of a page that was drawn on `today`: one that was kept or left open overnight without a network is of
 * the day before. Only the time that has passed counts, so that a clock of the device that is wrong does no harm.
 */
export function dayNow(today: number, now_ms: number = Date.now()): number {
  if (typeof document === 'undefined') return today;
  const { minute, day } = document.documentElement.dataset;
  // A clock of the demo goes its own way; and what was read anew is of today.
  if (minute === undefined || day !== String(today)) return today;
  const since_min = (now_ms - drawnAt_ms()) / 60_000;
  return today + Math.max(0, Math.floor((Number(minute) + since_min) / DAY_min));
}
