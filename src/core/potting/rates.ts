import { solve } from '../numerics/expm.ts';
import { requireRange } from '../numerics/guard.ts';

/** A batch somebody timed. */
export interface Timed {
  readonly containerId: number;
  readonly cropId: number;
  readonly plants: number;
  /** From the first pot to the last, all hands together at it. */
  readonly minutes: number;
  readonly people: number;
}

/** Plants a person sets in a minute when all is set out, with its spread. */
export interface Pace {
  readonly perMinute: number;
  /** Four times of five it lies between. */
  readonly low: number;
  readonly high: number;
  /** Times it was measured: in this container with this crop, and in all. */
  readonly own: number;
  readonly all: number;
}

/** 630 plants in 85 minutes by one person. Common practice, no source. */
export const USUAL_PACE_perMin = 630 / 85;
/** Spreads of the logarithm: of houses, of containers, of crops within them, of one day. Common practice, no source. */
const HOUSE = 0.4;
const CONTAINER = 0.25;
const CROP = 0.15;
const DAY = 0.2;
/** As many as bear on a pace; older ones say little of today's hands. */
const MOST = 60;
const EIGHTY = 1.2816;
/** Beyond these nobody pots, and a clock was wrong. */
const SENSIBLE_perMin = { least: 0.2, most: 60 } as const;

/** Whether a timed batch may teach anything. */
export function believable({ plants, minutes, people }: Timed): boolean {
  const pace = plants / (minutes * people);
  return plants >= 5 && minutes >= 1 && people >= 1 && pace >= SENSIBLE_perMin.least && pace <= SENSIBLE_perMin.most;
}

/**
 * The house's own pace for a container and a crop: the logarithm of the pace is that of the house, what the container adds,
 * what the crop adds in it, and the day, each normal; what was timed moves all that it shares something with.
 * @param timed oldest first
 * @source the posterior of a Gaussian model with shared effects (Rasmussen & Williams 2006, Gaussian Processes, eq. 2.25-26)
 */
export function paceOf(timed: readonly Timed[], containerId: number, cropId: number): Pace {
  const seen = timed.filter(believable).slice(-MOST);
  const prior = Math.log(USUAL_PACE_perMin);
  const share = (a: Pick<Timed, 'containerId' | 'cropId'>, b: Pick<Timed, 'containerId' | 'cropId'>) =>
    HOUSE ** 2 + (a.containerId === b.containerId ? CONTAINER ** 2 + (a.cropId === b.cropId ? CROP ** 2 : 0) : 0);
  const here = { containerId, cropId };
  const n = seen.length;
  const own = seen.filter((t) => t.containerId === containerId && t.cropId === cropId).length;
  let mean = prior;
  let variance = share(here, here);
  if (n > 0) {
    const K = new Float64Array(n * n);
    seen.forEach((a, i) => seen.forEach((b, j) => (K[i * n + j] = share(a, b) + (i === j ? DAY ** 2 : 0))));
    const k = seen.map((t) => share(t, here));
    const both = new Float64Array(n * 2);
    seen.forEach((t, i) => {
      both[i * 2] = Math.log(t.plants / (t.minutes * t.people)) - prior;
      both[i * 2 + 1] = k[i]!;
    });
    const x = solve(K, both, n, 2);
    k.forEach((share_i, i) => {
      mean += share_i * x[i * 2]!;
      variance -= share_i * x[i * 2 + 1]!;
    });
  }
  // What one day will be is more spread than the pace itself.
  const sd = Math.sqrt(Math.max(0, variance) + DAY ** 2);
  return {
    perMinute: Math.exp(mean),
    low: Math.exp(mean - EIGHTY * sd),
    high: Math.exp(mean + EIGHTY * sd),
    own,
    all: n,
  };
}

/** Minutes of work for so many plants by so many people, and its spread. */
export function minutesFor(plants: number, people: number, pace: Pace): { usual: number; low: number; high: number } {
  requireRange('people', people, 1, 50);
  const at = (perMinute: number) => plants / (perMinute * people);
  return { usual: at(pace.perMinute), low: at(pace.high), high: at(pace.low) };
}
