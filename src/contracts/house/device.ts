/** Header in which a device says how many milliseconds ago something was tapped: by its own clock, so that one that is wrong but steady does no harm. */
export const AGE_HEADER = 'x-crook-age';

/** What a device keeps to open without a network. */
export interface DevicePages {
  /** The same while nothing was written and the day is the same: what is kept is then as it is. */
  readonly version: string;
  /** Addresses of pages, what is needed first in front. */
  readonly pages: readonly string[];
}
