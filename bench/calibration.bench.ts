import { chanceOf, otherTray } from '../tests/calibration/otherTrays.ts';
import { otherBatch } from '../tests/calibration/otherGrowth.ts';
import { otherYears, type OtherDay } from '../tests/calibration/otherWeather.ts';
import { dayFromCivil } from '../src/core/calendar/dayNumber.ts';
import { localHourAt, localTimeAt } from '../src/core/calendar/localDay.ts';
import { dateAtRisk, frostDates, frostSeasons } from '../src/core/weather/frost.ts';
import { siteWind, type Exposure } from '../src/core/weather/siteWind.ts';
import { SOIL_LAG_frac } from '../src/core/weather/soilNow.ts';
import { surfaceMean_C } from '../src/core/weather/soilSurface.ts';
import { afterLooks, beliefOf, countChances, quantileOfChances } from '../src/core/germination/belief.ts';
import { learn, trayEstimate } from '../src/core/germination/learning.ts';
import { verdictOf } from '../src/core/germination/verdict.ts';
import { growthSaid, learnedGrowth } from '../src/core/growth/learnedGrowth.ts';
import { PROGRAMMES, rungsFor } from '../src/core/hardening/programme.ts';
import { shelterOf } from '../src/core/hardening/ladder.ts';
import { costAt, price_kWh, type Tariff } from '../src/core/heat/cost.ts';
import type { Hardiness } from '../src/core/books/crop.ts';
import { USUAL_MODES, USUAL_RULES } from '../src/core/planting/gates.ts';
import { oddsOf, type OddsTask } from '../src/core/planting/odds.ts';
import { OUT_HARM_C } from '../src/core/planting/outDates.ts';
import { simulatedSprings, type Springs } from '../src/core/plan/springs/springs.ts';
import { row, type Figures, type Row } from './form.ts';

/** A part of the usual number of runs, for a quick look: CALIBRATION=0.2. */
const SHARE = Number(process.env['CALIBRATION'] ?? 1);
const runs = (n: number): number => Math.max(5, Math.round(n * SHARE));

/** Odds, bands and learning held against generators that share nothing with the model (tests/calibration). */
export default function bench(): Figures {
  return {
    bench: 'calibration',
    method:
      'trays of gamma and mixture spreads, growth and weather (regimes, skewed lows, seasons 1.4 K apart, gusts that last) by generators in tests/calibration that take nothing from src; seeds fixed; a row that must lie between two figures stands twice',
    rows: [...trays(), ...slowTray(), ...growth(), ...weather(), ...fewYears(), ...price()],
  };
}

const between = (name: string, value: number, low: number, high: number, unit = 'share'): Row[] => [
  row(name, value, unit, `>= ${low}`),
  row(`${name} `.trimEnd() + ' (upper)', value, unit, `<= ${high}`),
];

function trays(): Row[] {
  const rows: Row[] = [];
  const steps = Array.from({ length: 30 }, (_, i) => (i + 1) / 8);
  let [givenUp, enough, found, poor] = [0, 0, 0, 0];
  for (const spread of [0.15, 0.2, 0.25, 0.3, 0.35]) {
    let [next, end, n] = [0, 0, 0];
    for (const kind of ['gamma', 'mixture'] as const)
      for (const taught of [0, 3]) {
        const chance = chanceOf(Math.round(1000 * spread) + 31 * taught + (kind === 'gamma' ? 7 : 5000));
        for (let run = 0; run < runs(75); run++) {
          const factor = Math.exp(0.18 * Math.sqrt(6) * (chance() + chance() - 1));
          const lot = { kind, spread, factor, tray_sd: 0.08, share: 0.85, share_sd: 0.07 };
          const target = { lotId: 1, varietyId: 1 };
          const known = Array.from({ length: taught }, () =>
            trayEstimate(otherTray(chance, lot, 60, steps).looks.slice(0, 20), 60, 0.85),
          ).flatMap((e) => (e ? [{ ...e, ...target }] : []));
          const { prior } = learn(target, known, 0.85);
          const tray = otherTray(chance, lot, 60, steps);
          const inside = (chances: Float64Array, up: number) =>
            up >= quantileOfChances(chances, 0.05) && up <= quantileOfChances(chances, 0.95);
          const seen = tray.looks.slice(0, 8);
          const after = afterLooks(beliefOf(prior), seen, 60);
          if (inside(countChances(after, steps[10]!, 60, seen[7]!), tray.looks[10]!.up)) next++;
          if (inside(countChances(after, 1e9, 60, seen[7]!), tray.end)) end++;
          n++;
          const needed = 45;
          const saidFew = Array.from({ length: 16 }, (_, i) => i + 6).some((d) => {
            const looks = tray.looks.slice(3, d + 1).map((l, i) => ({ ...l, day: i + 4 }));
            const input = { prior, sown: 60, sownOn: 0, today: d + 1, needed, sowAgainBy: 30, looks };
            return ['few', 'likely dead'].includes(verdictOf({ ...input, progressOn: (x) => x / 8 }).kind);
          });
          if (tray.end >= needed) {
            enough++;
            if (saidFew) givenUp++;
          } else {
            poor++;
            if (saidFew) found++;
          }
        }
      }
    rows.push(
      ...between(`emergence, spread ${spread}: 90% band of the next count holds, ${n} trays`, next / n, 0.85, 0.95),
    );
    rows.push(...between(`emergence, spread ${spread}: 90% band of the end holds, ${n} trays`, end / n, 0.85, 0.95));
  }
  rows.push(row(`trays wrongly given up, of ${enough} that gave enough`, givenUp / enough, 'share', '< 0.02'));
  rows.push(row(`poor trays found, of ${poor}`, found / poor, 'share'));
  return rows;
}

function slowTray(): Row[] {
  const chance = chanceOf(92);
  const target = { lotId: 1, varietyId: 1 };
  const steps = Array.from({ length: 40 }, (_, i) => (i + 1) / 8);
  const off = Array.from({ length: runs(200) }, () => {
    const lot = { kind: 'gamma', spread: 0.2, factor: 1, tray_sd: 0.08, share: 0.85, share_sd: 0.07 } as const;
    const known = [3, 1, 1, 1, 1, 1].flatMap((factor) => {
      const said = trayEstimate(otherTray(chance, { ...lot, factor }, 60, steps).looks, 60, 0.85);
      return said ? [{ ...said, ...target }] : [];
    });
    return Math.abs(learn({ lotId: null, varietyId: null }, known, 0.85).time_factor - 1);
  });
  return [
    row(
      'crop time after one tray three times too slow and five good ones, median error',
      median(off),
      'share',
      '<= 0.04',
    ),
  ];
}

function growth(): Row[] {
  const pot_degreeDays = 260;
  const sums = {
    pot_degreeDays,
    space_degreeDays: 330,
    ready_degreeDays: 400,
    overAge_degreeDays: 600,
    growth_factor: 1,
  };
  const chance = chanceOf(5);
  const errors = (batches: number, bad: (i: number) => boolean): number[] =>
    Array.from({ length: runs(400) }, () => {
      const factor = 0.85 + 0.4 * chance();
      const said = Array.from({ length: batches }, (_, i) => {
        const { rootsAt, pottedAt } = otherBatch(chance, factor, pot_degreeDays, bad(i));
        const roots = rootsAt === null ? [] : [{ by: 'roots' as const, grown_degreeDays: rootsAt, leaves: null }];
        return growthSaid(sums, [...roots, { by: 'potted', grown_degreeDays: pottedAt, leaves: null }]);
      }).flatMap((s) => (s ? [{ ...s, varietyId: 1, placeId: 1 }] : []));
      return Math.abs(learnedGrowth({ varietyId: 1, placeId: 1 }, said).factor / factor - 1);
    });
  return [
    row('learned growth after ten batches, median error', median(errors(10, () => false)), 'share', '<= 0.03'),
    row(
      'learned growth after ten batches, two of them bad, median error',
      median(errors(10, (i) => i % 5 === 0)),
      'share',
      '<= 0.1',
    ),
    row(
      'learned growth after five batches, one of them bad, error in nine of ten',
      quantile(
        errors(5, (i) => i === 0),
        0.9,
      ),
      'share',
      '<= 0.1',
    ),
  ];
}

const HARDINESS: readonly Hardiness[] = ['hardy', 'half-hardy', 'tender', 'tropical'];
const DAYS = 120;
const START = 95;
const YEARS = 25;

/** A spring as it came, as one run. */
function springOf(from: number, truth: readonly OtherDay[], soil_C: number): Springs {
  const one = (of: (d: OtherDay) => number) => Float32Array.from(truth, of);
  const spring = {
    from,
    days: DAYS,
    runs: 1,
    years: 0,
    least_C: one((d) => d.least_C),
    most_C: one((d) => d.most_C),
    gust_m_s: one((d) => d.gust_m_s),
    soil_C: new Float32Array(DAYS),
  };
  let soil = soil_C;
  for (let i = 0; i < DAYS; i++) {
    if (i > 0) soil += SOIL_LAG_frac * (surfaceMean_C(from + i, spring.most_C[i]!, spring.least_C[i]!, 52) - soil);
    spring.soil_C[i] = soil;
  }
  return spring;
}

function weather(): Row[] {
  const rows: Row[] = [];
  const sites: readonly [string, number, Exposure, boolean][] = [
    ['sheltered, gusts measured', 4.5, 'sheltered', true],
    ['usual, gusts measured', 7.5, 'open', true],
    ['windy, gusts measured', 10.5, 'exposed', true],
    ['windy, only said to be exposed', 10.5, 'exposed', false],
  ];
  for (const [name, gust, exposure, measured] of sites) {
    const sum = { given: 0, came: 0, n: 0, out: 0, outN: 0, hard: 0, hardN: 0 };
    for (let site = 0; site < runs(100); site++) {
      const climate = { mean_C: 5.5, swing_K: 6, yearly_K: 1.4, warming_K_a: 0, gust_m_s: gust };
      const years = otherYears(1000 + 7 * site + 100 * gust, climate, YEARS + 1);
      const history = years.slice(0, YEARS).flatMap((year, y) =>
        year.map((d, i) => ({
          day: dayFromCivil(2000 + y, 1, 1) + i,
          least_C: d.least_C,
          most_C: d.most_C,
          gust_m_s: measured ? d.gust_m_s : null,
        })),
      );
      const from = dayFromCivil(2000 + YEARS, 1, 1) + START;
      const soil_C = 8;
      const springs = simulatedSprings({
        from,
        days: DAYS,
        runs: 300,
        seed: site,
        history,
        usual: null,
        near: [],
        soil_C,
        wind: siteWind(measured ? history.map((d) => d.gust_m_s!) : [], exposure),
        latitude_deg: 52,
      });
      const real = springOf(from, years[YEARS]!.slice(START, START + DAYS), soil_C);
      for (let t = 0; t < 16; t++) {
        const task = taskOf(t, from);
        // The last good day that the springs drawn give about four chances in five.
        const given = Array.from({ length: 12 }, (_, k) => 4 * k)
          .map((days) => ({ ...task, lastGoodOn: task.transplantOn + days }))
          .map((tried) => ({ tried, odds: oddsOf(tried, springs) }))
          .find(({ odds }) => odds.inTime_frac >= 0.75);
        if (!given) continue;
        const { odds, tried } = given;
        const came = oddsOf(tried, real);
        if (odds.inTime_frac <= 0.85) {
          sum.given += odds.inTime_frac;
          sum.came += came.inTime_frac;
          sum.n++;
        }
        if (odds.out.p90 !== null) {
          sum.outN++;
          if (came.out.p50 !== null && came.out.p50 <= odds.out.p90) sum.out++;
        }
        if (odds.hardened.p90 !== null) {
          sum.hardN++;
          if (came.hardened.p50 !== null && came.hardened.p50 <= odds.hardened.p90) sum.hard++;
        }
      }
    }
    rows.push(
      ...between(
        `${name}: in time given ${(sum.given / sum.n).toFixed(2)} happens, ${sum.n} batches`,
        sum.came / sum.n,
        0.75,
        0.85,
      ),
      ...between(`${name}: going out by P90, ${sum.outN} batches`, sum.out / sum.outN, 0.85, 0.95),
      ...between(`${name}: hardened by P90, ${sum.hardN} batches`, sum.hard / sum.hardN, 0.85, 0.95),
    );
  }
  return rows;
}

function taskOf(t: number, from: number): OddsTask {
  const hardiness = HARDINESS[t % 4]!;
  const rungs = rungsFor(PROGRAMMES[t % PROGRAMMES.length]!, hardiness);
  const transplantOn = from + 18 + 4 * (t >> 2) + 12 * (t % 4);
  return {
    batchId: t,
    ladder: { rungs, shelter_K: rungs.map((r) => shelterOf(r, 2)), caution: 0.5 },
    at: { rung: 0, served: 0 },
    hardenFrom: transplantOn - 12,
    modes: USUAL_MODES,
    rules: USUAL_RULES,
    outFrom: from,
    soilMin_C: [6, 9, 11, 14][t % 4]!,
    nightMin_C: [-1, 3, 6, 9][t % 4]!,
    harm_C: OUT_HARM_C[hardiness],
    cover_K: 0,
    warm_K: 0,
    nightsSoFar: 0,
    warmSoFar: 0,
    transplantOn,
    lastGoodOn: transplantOn,
  };
}

function fewYears(): Row[] {
  const lows = (years: readonly OtherDay[][]) =>
    years.flatMap((year, y) => year.map((d, i) => ({ day: dayFromCivil(2001 + 4 * y, 1, 1) + i, least_C: d.least_C })));
  const frosts = (years: readonly OtherDay[][]) => frostDates(frostSeasons(lows(years), 0, false), 'spring', false);
  return [2, 3, 5, 7, 10, 20, 40].flatMap((known) => {
    const n = runs(known > 10 ? 600 : 1500);
    let later = 0;
    for (let site = 0; site < n; site++) {
      const climate = { mean_C: 5.5, swing_K: 6, yearly_K: 1, warming_K_a: 0, gust_m_s: 7 };
      const years = otherYears(50_000 + 13 * site + known, climate, known + 1);
      const at = dateAtRisk(frosts(years.slice(0, known)), 0.1)!;
      if (frosts(years.slice(known)).offsets[0]! > at.offset) later++;
    }
    return between(`one year in ten from ${known} years happens, ${n} sites`, later / n, 0.07, 0.14);
  });
}

/** A season's hours of heat at two prices over the changes of the clock, against the clock asked at each hour. */
function price(): Row[] {
  const tariff: Tariff = { kind: 'day-night', day_kWh: 0.32, night_kWh: 0.09, from_h: 23, to_h: 7 };
  const chance = chanceOf(77);
  let worst = 0;
  for (const [zone, start] of [
    ['Europe/London', '2026-12-01T00:00:00Z'],
    ['Australia/Hobart', '2027-06-01T00:00:00Z'],
    ['America/St_Johns', '2027-01-15T00:00:00Z'],
  ] as const) {
    const from_ms = Date.parse(start);
    const hours = Array.from({ length: 200 * 24 }, (_, i) => {
      const at_ms = from_ms + i * 3_600_000;
      const { minute } = localTimeAt(at_ms, zone);
      // Mostly by day, as a bench with a lower night does.
      return { at_ms, energy_kWh: (minute >= 420 && minute < 1380 ? 0.9 : 0.1) * chance() };
    });
    const ours = costAt(tariff, hours, (at_ms) => localHourAt(at_ms, zone));
    const byHour = hours.reduce((sum, h) => {
      const text = new Date(h.at_ms).toLocaleTimeString('en-GB', {
        timeZone: zone,
        hour: '2-digit',
        minute: '2-digit',
      });
      const [hour, minute] = text.split(':').map(Number) as [number, number];
      return sum + h.energy_kWh * price_kWh(tariff, hour + minute / 60);
    }, 0);
    worst = Math.max(worst, Math.abs(ours / byHour - 1));
  }
  return [row('price of a season against hour by hour, three zones', worst, 'share', '<= 0.01')];
}

function quantile(list: readonly number[], p: number): number {
  return [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(p * list.length))]!;
}
const median = (list: readonly number[]): number => quantile(list, 0.5);
