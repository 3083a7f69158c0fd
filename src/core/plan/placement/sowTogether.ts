import { emergenceShare_frac, germinationRate } from '../../germination/germinationRate.ts';
import type { Crop } from '../../books/crop.ts';
import { coolCap_C, type CoolSchool } from './coolCap.ts';

/** A lot to be sown: its crop and how many trays. */
export interface LotToSow {
  readonly id: number;
  readonly crop: Crop;
  readonly trays: number;
}

/** How a lot does at one temperature. */
export interface AtTemperature {
  readonly temperature_C: number;
  /** Days to half up; null = never. */
  readonly days: number | null;
  /** Share of the best percentage that comes up, 0-1; null where the crop has no table of it. */
  readonly share_frac: number | null;
  /** Inside the range to sow in, and not warmer than the nursery's rule for cool crops. */
  readonly allowed: boolean;
}

export interface LotRange {
  readonly id: number;
  readonly low_C: number;
  /** Highest it may have: its own most, or the nursery's for cool crops. */
  readonly high_C: number;
  readonly best_C: number;
  readonly at: readonly AtTemperature[];
}

/** A chamber's set-point with the lots that go in together. */
export interface SharedChamber {
  readonly setPoint_C: number;
  readonly lots: readonly {
    readonly id: number;
    readonly days: number;
    readonly slower_days: number;
    readonly share_frac: number | null;
  }[];
}

export interface Sharing {
  readonly chambers: readonly SharedChamber[];
  /** Lots that suit none of the set-points and must wait or go elsewhere. */
  readonly wait: readonly number[];
  /** Tray-days lost against every lot having its own best temperature. */
  readonly lost_trayDays: number;
}

export const COLDEST_C = 5;
export const HOTTEST_C = 35;
/** A tray that does not come up counts as so many days of waiting; a lot put off as so many. Common practice, no source. */
const LOST_TRAY_days = 20;
const PUT_OFF_days = 14;

/** How a lot does at each whole degree, with the range the nursery would sow it in. */
export function lotRange(lot: LotToSow, school: CoolSchool, gentle_C: number): LotRange {
  const { crop } = lot;
  const rate = germinationRate(crop);
  const cap = coolCap_C(crop, school, gentle_C);
  const high_C = cap === null ? crop.germMax_C : Math.min(crop.germMax_C, cap);
  const at: AtTemperature[] = [];
  for (let t = COLDEST_C; t <= HOTTEST_C; t++) {
    const perDay = rate(t);
    at.push({
      temperature_C: t,
      days: perDay > 0 ? 1 / perDay : null,
      share_frac: emergenceShare_frac(crop.emergence, t),
      allowed: perDay > 0 && t >= crop.germMin_C && t <= high_C,
    });
  }
  return { id: lot.id, low_C: crop.germMin_C, high_C, best_C: Math.min(crop.germBest_C, high_C), at };
}

/**
 * The best shared set-points, to the whole degree, for a number of chambers: every choice of set-points is tried, each lot
 * goes where it loses least, and what loses more than being put off waits. Exact over whole degrees.
 * @param chambers 1 to 3
 */
export function shareChambers(
  lots: readonly LotToSow[],
  ranges: readonly LotRange[],
  chambers: number,
  levels_C: readonly number[] | null = null,
): Sharing {
  if (!(chambers >= 1 && chambers <= 3)) throw new RangeError(`chambers is ${chambers}; it must be 1 to 3`);
  const losses = ranges.map(lossesOf);
  const all = Array.from({ length: HOTTEST_C - COLDEST_C + 1 }, (_, i) => COLDEST_C + i);
  const candidates = (levels_C ?? all).filter(
    (t) => t >= COLDEST_C && t <= HOTTEST_C && losses.some((loss) => loss(t) < Infinity),
  );
  let best: { set: number[]; lost: number } = { set: [], lost: Infinity };
  const put = (set: number[], from: number): void => {
    if (set.length > 0) {
      let lost = 0;
      for (let i = 0; i < lots.length; i++) {
        const least = Math.min(...set.map((t) => losses[i]!(t)));
        lost += Math.min(least, PUT_OFF_days) * lots[i]!.trays;
      }
      // Of two as good the one with fewer chambers.
      if (lost < best.lost - 1e-9) best = { set: [...set], lost };
    }
    if (set.length === chambers) return;
    for (let i = from; i < candidates.length; i++) put([...set, candidates[i]!], i + 1);
  };
  put([], 0);
  if (best.set.length === 0) return { chambers: [], wait: lots.map((lot) => lot.id), lost_trayDays: 0 };

  const groups = best.set.map((setPoint_C) => ({ setPoint_C, lots: [] as SharedChamber['lots'][number][] }));
  const wait: number[] = [];
  lots.forEach((lot, i) => {
    const of = groups.map((group) => losses[i]!(group.setPoint_C));
    const least = Math.min(...of);
    if (least > PUT_OFF_days) {
      wait.push(lot.id);
      return;
    }
    const group = groups[of.indexOf(least)]!;
    const here = ranges[i]!.at.find((a) => a.temperature_C === Math.round(group.setPoint_C))!;
    group.lots.push({
      id: lot.id,
      days: here.days!,
      slower_days: here.days! - bestDays(ranges[i]!),
      share_frac: here.share_frac,
    });
  });
  return { chambers: groups.filter((group) => group.lots.length > 0), wait, lost_trayDays: best.lost };
}

/** Days a tray loses at a temperature against its best allowed one; Infinity where it must not go. */
function lossesOf(range: LotRange): (temperature_C: number) => number {
  const soonest = bestDays(range);
  const bestShare = Math.max(0, ...range.at.map((a) => (a.allowed ? (a.share_frac ?? 1) : 0)));
  return (temperature_C) => {
    const here = range.at.find((a) => a.temperature_C === Math.round(temperature_C));
    if (!here || !here.allowed || here.days === null) return Infinity;
    return here.days - soonest + LOST_TRAY_days * Math.max(0, bestShare - (here.share_frac ?? 1));
  };
}

function bestDays(range: LotRange): number {
  return Math.min(...range.at.filter((a) => a.allowed).map((a) => a.days!));
}
