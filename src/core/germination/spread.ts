/**
 * Spread between the seeds of one tray: log-normal in thermal time, G(x) = Phi(ln x / sigma), x = progress to the median.
 * @source log-normal thermal time as in Garcia-Huidobro, Monteith & Squire 1982; sigma 0.2 common practice, no source
 */
export const SPREAD_SIGMA = 0.2;

/** Standard normal quantiles. @source Abramowitz & Stegun 1964, table 26.5 (rounded to 4 decimals) */
const Z90 = 1.2816;
const Z95 = 1.6449;

/** Progress (1 = half up) at which the first 5% are up. */
export const FIRST_UP_PROGRESS = Math.exp(-Z95 * SPREAD_SIGMA);
/** Progress at which 90% of those that will come are up: "all up" by the house's rule. */
export const ALL_UP_PROGRESS = Math.exp(Z90 * SPREAD_SIGMA);
