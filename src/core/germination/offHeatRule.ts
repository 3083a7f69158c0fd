/** When a tray leaves the germination heat. */
export type OffHeatRule =
  | { readonly kind: 'half-up' }
  | { readonly kind: 'all-up' }
  /** A share, half or more, of the seeds thought to come up. */
  | { readonly kind: 'share'; readonly share_frac: number }
  | { readonly kind: 'days-after'; readonly days: number };
