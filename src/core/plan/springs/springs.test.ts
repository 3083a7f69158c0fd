import { siteWind } from '../../weather/siteWind.ts';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../../calendar/dayNumber.ts';
import { shelterOf } from '../../hardening/ladder.ts';
import { PROGRAMMES, rungsFor } from '../../hardening/programme.ts';
import { USUAL_MODES, USUAL_RULES } from '../../planting/gates.ts';
import { ladderWalk } from '../../hardening/walk.ts';
import { seededRandom } from '../../numerics/random.ts';
import { oddsOf, type OddsTask } from '../../planting/odds.ts';
import { outsideClimate } from '../schedule/outsideClimate.ts';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { demoWeather } from '../../../../simulators/demoWeather.ts';
import { simulatedSprings, type SpringInput } from './springs.ts';

const from = requireDay('2027-04-12');
const history = demoWeather('1997-01-01', '2027-04-11').map(({ day, least_C, most_C }) => ({ day, least_C, most_C }));
const usual = outsideClimate(DEMO_OUTSIDE, from, 120);
const input: SpringInput = {
  from,
  days: 90,
  runs: 300,
  seed: 3,
  history,
  usual,
  wind: siteWind([], null),
  near: [],
  soil_C: 9,
  latitude_deg: 52,
};
const rungs = rungsFor(PROGRAMMES[0]!, 'tender');
const task: OddsTask = {
  batchId: 1,
  ladder: { rungs, shelter_K: rungs.map((r) => shelterOf(r, 2)), caution: 0.5 },
  at: { rung: 0, served: 0 },
  hardenFrom: requireDay('2027-05-10'),
  modes: { ...USUAL_MODES, calendar: 'required' },
  rules: USUAL_RULES,
  outFrom: requireDay('2027-05-20'),
  soilMin_C: 12,
  nightMin_C: 7,
  harm_C: 0,
  cover_K: 0,
  warm_K: 0,
  nightsSoFar: 0,
  warmSoFar: 0,
  transplantOn: requireDay('2027-05-28'),
  lastGoodOn: requireDay('2027-06-04'),
};

/** Days between a stretch of days and the nearest whole number of years. */
const away = (days: number) => Math.abs(days - 365.2425 * Math.round(days / 365.2425));

describe('springs that could come', () => {
  it('are the same for the same seed and others for another', () => {
    const [a, b, c] = [simulatedSprings(input), simulatedSprings(input), simulatedSprings({ ...input, seed: 4 })];
    expect(a.least_C).toEqual(b.least_C);
    expect(a.least_C).not.toEqual(c.least_C);
    expect(a.years).toBeGreaterThan(20);
  });
  it('have the site’s own mean and spread at the time of year', () => {
    const springs = simulatedSprings({ ...input, runs: 500 });
    const at = 45;
    const drawn = Array.from({ length: 500 }, (_, s) => springs.least_C[s * 90 + at]!);
    const past = history.filter((d) => d.least_C !== null && away(d.day - from - at) < 4);
    const stats = (list: readonly number[]) => {
      const mean = list.reduce((a, b) => a + b, 0) / list.length;
      return { mean, sd: Math.sqrt(list.reduce((a, b) => a + (b - mean) ** 2, 0) / list.length) };
    };
    const [d, p] = [stats(drawn), stats(past.map((x) => x.least_C!))];
    expect(Math.abs(d.mean - p.mean)).toBeLessThan(0.6);
    expect(Math.abs(d.sd / p.sd - 1)).toBeLessThan(0.2);
  });
  it('follow the forecast with its errors for as long as it reaches', () => {
    const near = Array.from({ length: 5 }, (_, i) => ({
      least_C: -3 + i,
      most_C: 8 + i,
      gust_m_s: 6,
      spread_K: 1 + 0.3 * i,
      bias_K: 0.5,
    }));
    const springs = simulatedSprings({ ...input, near, runs: 800 });
    for (let i = 0; i < 5; i++) {
      const lows = Array.from({ length: 800 }, (_, s) => springs.least_C[s * 90 + i]!);
      const mean = lows.reduce((a, b) => a + b, 0) / 800;
      const sd = Math.sqrt(lows.reduce((a, b) => a + (b - mean) ** 2, 0) / 800);
      expect(Math.abs(mean - (-3 + i - 0.5))).toBeLessThan(0.2);
      expect(Math.abs(sd - (1 + 0.3 * i))).toBeLessThan(0.15);
    }
    expect(springs.most_C.every((t, k) => t > springs.least_C[k]!)).toBe(true);
  });
  it('come from normals where there are few years, and not at all from nothing', () => {
    const few = simulatedSprings({ ...input, history: history.slice(-700) });
    expect(few.years).toBe(0);
    expect(() => simulatedSprings({ ...input, history: [], usual: null })).toThrow(/no usual temperatures/);
  });
  it('a season that crosses the new year is drawn from its own months', () => {
    const july = simulatedSprings({ ...input, from: requireDay('2027-12-20'), days: 40, soil_C: null });
    const mean = july.least_C.reduce((a, b) => a + b, 0) / july.least_C.length;
    expect(mean).toBeGreaterThan(-2);
    expect(mean).toBeLessThan(4);
  });
});

describe('odds of a batch over them', () => {
  const springs = simulatedSprings({ ...input, runs: 500 });
  const odds = oddsOf(task, springs);
  it('have their days in order, and none before it could be', () => {
    for (const q of [odds.hardened, odds.out]) {
      expect(q.p10!).toBeLessThanOrEqual(q.p50!);
      expect(q.p50!).toBeLessThanOrEqual(q.p90!);
    }
    expect(odds.hardened.p10!).toBeGreaterThanOrEqual(task.hardenFrom + 7);
    expect(odds.out.p10!).toBeGreaterThanOrEqual(task.outFrom!);
  });
  it('rise with a later date, with a cover, and with a gate let go', () => {
    const later = oddsOf({ ...task, transplantOn: task.transplantOn + 10, lastGoodOn: task.lastGoodOn + 10 }, springs);
    expect(later.inTime_frac).toBeGreaterThanOrEqual(odds.inTime_frac);
    const covered = oddsOf({ ...task, cover_K: 3, warm_K: 4, soilMin_C: 9, outFrom: task.outFrom! - 15 }, springs);
    expect(covered.inTime_frac).toBeGreaterThanOrEqual(odds.inTime_frac);
    expect(covered.frost_frac).toBeLessThanOrEqual(odds.frost_frac);
    const easy = oddsOf({ ...task, modes: { ...task.modes, soil: 'off', nights: 'off' } }, springs);
    expect(easy.inTime_frac).toBeGreaterThanOrEqual(odds.inTime_frac);
  });
  it('a batch held later is hardened later', () => {
    const held = oddsOf({ ...task, hardenFrom: task.hardenFrom + 6 }, springs);
    expect(held.hardened.p50!).toBeGreaterThan(odds.hardened.p50!);
  });
  it('say "not in sight" where a gate never opens', () => {
    const never = oddsOf({ ...task, outFrom: null }, springs);
    expect(never.out).toEqual({ p10: null, p50: null, p90: null });
    expect(never.inTime_frac).toBe(0);
  });
  it('agree with counting the springs a second, obvious way', () => {
    let warm = 0;
    const at = task.transplantOn - from;
    for (let s = 0; s < springs.runs; s++) {
      const soil = (i: number) => springs.soil_C[s * springs.days + i]! >= task.soilMin_C;
      if (soil(at) && soil(at - 1) && soil(at - 2)) warm++;
    }
    expect(odds.soil_frac).toBeCloseTo(warm / springs.runs, 10);
  });
});

describe('whole seasons', () => {
  const from = requireDay('2027-04-01');
  /** Twenty years, each warmer or colder as a whole by so much in turn, with spells of five days within. */
  const yearsApart = (apart_K: number) =>
    Array.from({ length: 20 }, (_, y) => {
      const start = requireDay(`${2007 + y}-01-01`);
      const off = apart_K * [1.2, -0.4, 0.6, -1.4][y % 4]!;
      return Array.from({ length: 365 }, (_day, i) => {
        const spell = 2 * Math.sin(1.7 * Math.floor(i / 5) + y);
        return { day: start + i, least_C: 5 + off + spell, most_C: 14 + off + spell };
      });
    }).flat();
  const meansOf = (apart_K: number) => {
    const springs = simulatedSprings({
      from,
      days: 90,
      runs: 400,
      seed: 3,
      history: yearsApart(apart_K),
      usual: null,
      near: [],
      soil_C: 8,
      wind: siteWind([], null),
      latitude_deg: 52,
    });
    const means = Array.from({ length: 400 }, (_, s) => {
      const row = springs.least_C.subarray(s * 90, s * 90 + 90);
      return row.reduce((a, b) => a + b, 0) / 90;
    });
    const mean = means.reduce((a, b) => a + b, 0) / 400;
    return { mean, sd: Math.sqrt(means.reduce((sum, m) => sum + (m - mean) ** 2, 0) / 399) };
  };

  it('stay warm or cold as they were: springs lie as far apart as the years do', () => {
    const { mean, sd } = meansOf(1.4);
    expect(mean).toBeCloseTo(5, 0);
    // The years lie 1.4 x 0.99 K apart (standard deviation of 1.2, -0.4, 0.6, -1.4 taken alike often).
    expect(sd).toBeGreaterThan(1.2);
    expect(sd).toBeLessThan(1.9);
  });

  it('and are not set apart where the years were alike', () => {
    expect(meansOf(0).sd).toBeLessThan(0.5);
  });
});

/** The same odds by the plainest way: every gate asked on every day of every spring. */
function plainly(task: OddsTask, springs: ReturnType<typeof simulatedSprings>) {
  const { runs, days, least_C, soil_C, gust_m_s } = springs;
  const at = (column: Float32Array | Float64Array, s: number, i: number) => column[s * days + i]!;
  const plantAt = Math.min(days - 1, Math.max(0, task.transplantOn - springs.from));
  const { modes, rules } = task;
  const walk = ladderWalk(task.ladder);
  const out: number[] = [];
  const firsts = { soil: [] as number[], nights: [] as number[], forecast: [] as number[], storm: [] as number[] };
  const counts = { soil: 0, nights: 0, frost: 0 };
  for (let s = 0; s < runs; s++) {
    const harms = (i: number) => at(least_C, s, i) <= task.harm_C - task.cover_K;
    const run = (i: number, good: (day: number) => boolean, soFar: number, today: boolean): number => {
      let n = 0;
      for (let day = i; day >= (today ? 0 : 1); day--) {
        if (!good(day)) return n;
        n++;
      }
      return n + (today ? Math.max(0, soFar - 1) : soFar);
    };
    const soil = (i: number) =>
      run(i, (day) => at(soil_C, s, day) >= task.soilMin_C, task.warmSoFar, true) >= rules.soil_days;
    const nights = (i: number) =>
      run(i, (day) => at(least_C, s, day) >= task.nightMin_C - task.warm_K, task.nightsSoFar, false) >= rules.nights;
    const forecast = (i: number) => ![1, 2, 3, 4].some((k) => i + k < days && harms(i + k));
    const storm = (i: number) =>
      !Array.from({ length: rules.storm_days }, (_, k) => i + k).some(
        (k) => k < days && at(gust_m_s, s, k) > rules.storm_m_s,
      );
    const done = walk(task.at, { ...springs, row: s * days }, Math.max(0, task.hardenFrom - springs.from));
    const first = (gate: (i: number) => boolean) => {
      for (let i = 0; i < days; i++) if (gate(i)) return i;
      return days;
    };
    const need = (key: keyof typeof modes) => modes[key] === 'required';
    out.push(
      first(
        (i) =>
          (!need('hardened') || (done >= 0 && i >= done)) &&
          (!need('calendar') || (task.outFrom !== null && i >= task.outFrom - springs.from)) &&
          (!need('soil') || soil(i)) &&
          (!need('nights') || nights(i)) &&
          (!need('forecast') || forecast(i)) &&
          (!need('storm') || storm(i)),
      ),
    );
    firsts.soil.push(first(soil));
    firsts.nights.push(first(nights));
    firsts.forecast.push(first(forecast));
    firsts.storm.push(first(storm));
    if (soil(plantAt)) counts.soil++;
    if (nights(plantAt)) counts.nights++;
    for (let i = plantAt + 1; i <= plantAt + 30 && i < days; i++)
      if (harms(i)) {
        counts.frost++;
        break;
      }
  }
  const quantiles = (list: number[]) => {
    const sorted = [...list].sort((a, b) => a - b);
    const q = (p: number) => {
      const i = sorted[Math.max(0, Math.ceil(p * runs) - 1)]!;
      return i >= days ? null : springs.from + i;
    };
    return { p10: q(0.1), p50: q(0.5), p90: q(0.9) };
  };
  return {
    out: quantiles(out),
    inTime_frac: 1 - out.filter((i) => i > task.lastGoodOn - springs.from).length / runs,
    frost_frac: counts.frost / runs,
    soil_frac: counts.soil / runs,
    nights_frac: counts.nights / runs,
    first: Object.fromEntries(Object.entries(firsts).map(([key, list]) => [key, quantiles(list)])),
  };
}

describe('odds are what asking every gate on every day says', () => {
  const springs = simulatedSprings({ ...input, runs: 60, days: 70 });
  const random = seededRandom(41);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  it('for 120 tasks of all kinds', () => {
    for (let n = 0; n < 120; n++) {
      const mode = () => pick(['required', 'advisory', 'off'] as const);
      const one: OddsTask = {
        ...task,
        hardenFrom: from + Math.floor(random() * 80) - 10,
        modes: {
          ...task.modes,
          soil: mode(),
          nights: mode(),
          forecast: mode(),
          storm: mode(),
          hardened: mode(),
          calendar: mode(),
        },
        rules: {
          ...task.rules,
          soil_days: 1 + Math.floor(random() * 4),
          nights: 1 + Math.floor(random() * 4),
          storm_m_s: 8 + 12 * random(),
        },
        outFrom: random() < 0.1 ? null : from + Math.floor(random() * 80) - 10,
        soilMin_C: 6 + 10 * random(),
        nightMin_C: 2 + 8 * random(),
        harm_C: 4 * random() - 2,
        cover_K: 3 * random(),
        warm_K: 3 * random(),
        nightsSoFar: Math.floor(random() * 5),
        warmSoFar: Math.floor(random() * 5),
        transplantOn: from + Math.floor(random() * 80) - 5,
      };
      const lastGoodOn = one.transplantOn + 7;
      const { hardened: _hardened, batchId: _id, ...odds } = oddsOf({ ...one, lastGoodOn }, springs);
      expect(odds, JSON.stringify(one)).toEqual(plainly({ ...one, lastGoodOn }, springs));
    }
  });
});
