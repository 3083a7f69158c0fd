import { requireRange } from '../numerics/guard.ts';
import type { Hardiness } from '../books/crop.ts';
import { WORDS } from '../../words/en/hardening/programme.ts';

export const PROGRAMME_KINDS = ['hours', 'lid', 'rooms', 'shade', 'cool-house'] as const;
export type ProgrammeKind = (typeof PROGRAMME_KINDS)[number];
export const RUNG_COVERS = ['none', 'fleece', 'film'] as const;
export type RungCover = (typeof RUNG_COVERS)[number];

/** A step of hardening. What it raises over the step before is its stress. */
export interface Rung {
  readonly words: string;
  /** Where it is done; null: the batch's own place to harden. */
  readonly placeId: number | null;
  /** Hours a day in that place, the rest in shelter; 24 = day and night. */
  readonly hours_h: number;
  /** Share of the full sun that reaches them, 0 to 1. */
  readonly sun_frac: number;
  /** Lid of a frame or door of a house while they are there, share of the opening; null: no lid. */
  readonly lid_frac: number | null;
  /** No colder than this while they are there. */
  readonly floor_C: number;
  /** No gust above this by day. */
  readonly gust_m_s: number;
  /** Over the trays at night. */
  readonly cover: RungCover;
  /** Days that count before the next step. */
  readonly days: number;
}

export interface Programme {
  readonly id: number;
  readonly name: string;
  readonly kind: ProgrammeKind;
  readonly rungs: readonly Rung[];
}

/** The stresses of hardening; each is raised by itself. */
export type Stress = 'cold' | 'sun' | 'wind';

/**
 * Days hotter than this scorch plants not yet hardened, on a rung in full sun, and in deep shade; between them by the share of
 * the sun. Common practice, no source.
 */
export const HEAT_CEILING_C = { sun: 33, shade: 39 } as const;
export const heatCeiling_C = ({ sun_frac }: Pick<Rung, 'sun_frac'>): number =>
  HEAT_CEILING_C.shade + (HEAT_CEILING_C.sun - HEAT_CEILING_C.shade) * sun_frac;
export const STRESS_WORDS: Readonly<Record<Stress, string>> = { cold: WORDS.cold, sun: WORDS.sun, wind: WORDS.wind };

/** Steps smaller than these are no new stress: K, share of sun, m/s. Common practice, no source. */
const STEP = { cold_K: 2, sun_frac: 0.15, gust_m_s: 2 } as const;
/** Degrees a rung's cover is worth on the night, when the site has not measured its own. Common practice, no source. */
export const RUNG_COVER_K: Readonly<Record<RungCover, number>> = { none: 0, fleece: 2, film: 3 };

/** What a rung asks of plants over the one before (null: the shelter they come from). More hours of the same is no new stress. */
export function newStresses(before: Rung | null, rung: Rung): Stress[] {
  if (before === null) return [];
  const raised: Stress[] = [];
  const night = (r: Rung) => (r.hours_h >= 24 ? 1 : 0);
  const uncovered = RUNG_COVER_K[before.cover] - RUNG_COVER_K[rung.cover];
  const colder = before.floor_C - rung.floor_C;
  if (colder >= STEP.cold_K || night(rung) > night(before) || (night(rung) === 1 && uncovered >= STEP.cold_K))
    raised.push('cold');
  if (rung.sun_frac - before.sun_frac >= STEP.sun_frac) raised.push('sun');
  const wider = (rung.lid_frac ?? 1) - (before.lid_frac ?? 1);
  if (rung.gust_m_s - before.gust_m_s >= STEP.gust_m_s || wider >= 0.6) raised.push('wind');
  return raised;
}

/**
 * The rungs with those that raise two stresses at once taken apart, so that no day brings two: sun first, then wind, cold last,
 * a day each.
 * @throws RangeError when a rung cannot be
 */
export function singleStresses(rungs: readonly Rung[]): Rung[] {
  const out: Rung[] = [];
  for (const rung of rungs) {
    requireRung(rung);
    let before = out.at(-1) ?? null;
    while (before !== null) {
      const raised = newStresses(before, rung);
      if (raised.length < 2) break;
      const step: Rung = raised.includes('sun')
        ? { ...before, sun_frac: rung.sun_frac, days: 1, words: WORDS.inTheNextStepsLight(before.words) }
        : {
            ...before,
            gust_m_s: rung.gust_m_s,
            lid_frac: rung.lid_frac,
            days: 1,
            words: WORDS.withTheNextStepsAir(before.words),
          };
      out.push(step);
      before = step;
    }
    out.push(rung);
  }
  return out;
}

/** Lowest temperatures a rung may be given. */
export const LEAST_FLOOR_C = -15;
export const MOST_FLOOR_C = 20;

/** @throws RangeError naming what is wrong */
export function requireRung(rung: Rung): void {
  requireRange(WORDS.hoursOut, rung.hours_h, 0.5, 24);
  requireRange(WORDS.shareOfSun, rung.sun_frac, 0, 1);
  requireRange(WORDS.lowestTemperatureDegreesC, rung.floor_C, LEAST_FLOOR_C, MOST_FLOOR_C);
  requireRange(WORDS.strongestGustMS, rung.gust_m_s, 3, 40);
  requireRange('days', rung.days, 1, 30);
  if (rung.lid_frac !== null) requireRange(WORDS.shareOfTheLid, rung.lid_frac, 0, 1);
}

/** Days a programme takes when every day counts. */
export function leastDays(rungs: readonly Rung[]): number {
  return rungs.reduce((sum, rung) => sum + rung.days, 0);
}

const rung = (
  words: string,
  hours_h: number,
  sun_frac: number,
  floor_C: number,
  gust_m_s: number,
  more: Partial<Rung> = {},
): Rung => ({
  words,
  placeId: null,
  hours_h,
  sun_frac,
  lid_frac: null,
  floor_C,
  gust_m_s,
  cover: 'none',
  days: 1,
  ...more,
});

/** Programmes to start from. Common practice, no source. */
export const PROGRAMMES: readonly Omit<Programme, 'id'>[] = [
  {
    name: WORDS.hoursOutside,
    kind: 'hours',
    rungs: [
      rung(WORDS.anHourOutInShade, 1, 0.3, 10, 11),
      rung(WORDS.twoHoursOutInShade, 2, 0.3, 10, 11),
      rung(WORDS.halfTheDayOutIn, 5, 0.6, 10, 11),
      rung(WORDS.mostOfTheDayOut, 8, 0.6, 9, 13),
      rung(WORDS.theWholeDayOutIn, 11, 1, 8, 13),
      rung(WORDS.theNightOutUnderFleece, 24, 1, 5, 13, { cover: 'fleece' }),
      rung(WORDS.theNightOutWithoutCover, 24, 1, 4, 13),
    ],
  },
  {
    name: WORDS.lidOfAFrame,
    kind: 'lid',
    rungs: [
      rung(WORDS.lidShutButForMidday, 24, 0.7, 6, 14, { lid_frac: 0, days: 2 }),
      rung(WORDS.lidProppedAHandBy, 24, 0.7, 5, 14, { lid_frac: 0.15, days: 2 }),
      rung(WORDS.lidHalfOpenByDay, 24, 0.7, 4, 14, { lid_frac: 0.5, days: 2 }),
      rung(WORDS.lidOffByDayOn, 24, 1, 4, 14, { lid_frac: 0.5, days: 2 }),
      rung(WORDS.lidOffByDayPropped, 24, 1, 3, 14, { lid_frac: 1, days: 2 }),
      rung(WORDS.lidOffDayAndNight, 24, 1, 1, 14, { lid_frac: 1, days: 2 }),
    ],
  },
  {
    name: WORDS.stepDownBetweenRooms,
    kind: 'rooms',
    rungs: [
      rung(WORDS.theCoolBayDayAnd, 24, 0.6, 10, 18, { days: 3 }),
      rung(WORDS.theFrameLidShutAt, 24, 0.7, 7, 14, { lid_frac: 0.5, days: 3 }),
      rung(WORDS.theFrameLidOffBy, 24, 0.7, 5, 14, { lid_frac: 1, days: 2 }),
      rung(WORDS.theStandingGroundUnderFleece, 24, 0.8, 3, 14, { cover: 'fleece', days: 2 }),
      rung(WORDS.theStandingGround, 24, 1, 3, 14, { days: 2 }),
    ],
  },
  {
    name: WORDS.shadeSteps,
    kind: 'shade',
    rungs: [
      rung('under 80% shade', 24, 0.2, 6, 13, { cover: 'fleece', days: 5 }),
      rung('under 65% shade', 24, 0.35, 6, 13, { cover: 'fleece', days: 5 }),
      rung('under 50% shade', 24, 0.5, 5, 13, { cover: 'fleece', days: 5 }),
      rung('under 30% shade', 24, 0.7, 4, 13, { cover: 'fleece', days: 5 }),
      rung(WORDS.inSunFleeceAtNight, 24, 1, 4, 14, { cover: 'fleece', days: 4 }),
      rung(WORDS.inSun, 24, 1, 3, 14, { days: 4 }),
    ],
  },
  {
    name: WORDS.coolAiryHouse,
    kind: 'cool-house',
    rungs: [
      rung(WORDS.houseShutAtNightDoor, 24, 0.7, 3, 18, { lid_frac: 0.5, days: 7 }),
      rung(WORDS.doorsOpenDayAndNight, 24, 0.7, 0, 16, { lid_frac: 1, days: 10 }),
      rung(WORDS.outByDay, 10, 1, 2, 14, { days: 4 }),
      rung(WORDS.outDayAndNight, 24, 1, 0, 15, { days: 5 }),
    ],
  },
];

/** Kinds a crop of a hardiness is usually hardened by, the gentlest first. Common practice, no source. */
const KINDS_FOR: Readonly<Record<Hardiness, readonly ProgrammeKind[]>> = {
  hardy: ['cool-house', 'lid', 'hours'],
  'half-hardy': ['lid', 'hours'],
  tender: ['hours'],
  tropical: ['hours'],
};

/** The programme of a batch nobody has chosen one for: the first of its hardiness that fits into its days of hardening. */
export function usualProgramme<P extends Omit<Programme, 'id'>>(
  programmes: readonly P[],
  hardiness: Hardiness,
  hardening_days: number,
): P | null {
  const known = KINDS_FOR[hardiness].flatMap((kind) => programmes.find((p) => p.kind === kind) ?? []);
  return known.find((p) => leastDays(p.rungs) <= hardening_days) ?? known.at(-1) ?? programmes[0] ?? null;
}

/** Tropical plants want nights some degrees milder than the rung says, hardy ones stand colder. Common practice, no source. */
const FLOOR_SHIFT_K: Readonly<Record<Hardiness, number>> = { hardy: -3, 'half-hardy': -1, tender: 0, tropical: 3 };

/** A programme's rungs for plants of a hardiness, each raising one stress. */
export function rungsFor(programme: Pick<Programme, 'rungs'>, hardiness: Hardiness): Rung[] {
  const shift = FLOOR_SHIFT_K[hardiness];
  const shifted = (floor_C: number) => Math.min(MOST_FLOOR_C, Math.max(LEAST_FLOOR_C, floor_C + shift));
  return singleStresses(programme.rungs.map((r) => ({ ...r, floor_C: shifted(r.floor_C) })));
}
