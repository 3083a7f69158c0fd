import { NEARLY, windowShare, type LadderAt, type LadderRules } from './ladder.ts';
import { heatCeiling_C, newStresses } from './programme.ts';

/** Weather of a stretch of days, from `row` on in arrays that may hold more. */
export interface Stretch {
  readonly least_C: Float32Array;
  readonly most_C: Float32Array;
  readonly gust_m_s: Float32Array;
  readonly row: number;
  /** Days of it; the last serves only as the night of the one before. */
  readonly days: number;
}

/**
 * The ladder of a batch walked through weather that is known: the same as `decideDay` day after day, without its words, for
 * hundreds of springs.
 * @returns walks from a day on and gives the day on which it is hardened, as an offset; -1 when not within the stretch
 * @accuracy equal to `decideDay` followed day by day (tested over random weather)
 */
export function ladderWalk({
  rungs,
  shelter_K,
}: Pick<LadderRules, 'rungs' | 'shelter_K'>): (at: LadderAt, stretch: Stretch, from: number) => number {
  const n = rungs.length;
  const floor = Float64Array.from(rungs, (r) => r.floor_C);
  const gusts = Float64Array.from(rungs, (r) => r.gust_m_s);
  const ceiling = Float64Array.from(rungs, heatCeiling_C);
  const wanted = Int32Array.from(rungs, (r) => r.days);
  // Below 0: day and night, with what the place is worth; else the share of the way from the day's top to its morning.
  const share = Float64Array.from(rungs, (r) => (r.hours_h >= 24 ? -1 : windowShare(r.hours_h)));
  const shelter = Float64Array.from(shelter_K);
  const raises = rungs.map((r, i) => newStresses(rungs[i - 1] ?? null, r)[0] ?? null);
  const lowOn = (k: number, most: number, morning: number, night: number): number =>
    share[k]! < 0 ? night + shelter[k]! : most - Math.max(0, most - morning) * share[k]!;
  return (at, { least_C, most_C, gust_m_s, row, days }, from) => {
    let { rung, served } = at;
    for (let i = from; i < days - 1; i++) {
      const most = most_C[row + i]!;
      const morning = least_C[row + i]!;
      const night = least_C[row + i + 1]!;
      const gust = gust_m_s[row + i]!;
      if (
        rung > 0 &&
        (gust > gusts[rung - 1]! ||
          most > ceiling[rung - 1]! ||
          lowOn(rung - 1, most, morning, night) < floor[rung - 1]!)
      )
        continue;
      if (rung > 0 && served < wanted[rung - 1]!) {
        served++;
        continue;
      }
      if (rung === n) return i;
      const next = lowOn(rung, most, morning, night);
      const raised = raises[rung]!;
      const borne = next >= floor[rung]! && gust <= gusts[rung]! && most <= ceiling[rung]!;
      const alone =
        raised === null ||
        !(
          (raised !== 'wind' && gust > NEARLY.gust_frac * gusts[rung]!) ||
          (raised !== 'cold' && next < floor[rung]! + NEARLY.cold_K)
        );
      if (borne && alone) {
        rung++;
        served = 1;
      } else if (rung > 0) served++;
    }
    return -1;
  };
}
