import { readFileSync } from 'node:fs';
import { cropsFromLibrary } from '../src/contracts/books/cropLibrary.ts';
import { columnsOf, looksLikeDly, readDly, readWeatherCsv, WEATHER_UNITS } from '../src/formats/weatherFile.ts';
import { isoFromDay } from '../src/core/calendar/dayNumber.ts';
import { dateAtRisk, frostDates, frostSeasons } from '../src/core/weather/frost.ts';
import { dailyLight_mol_m2, MOL_PER_MJ, photothermalRatio, USUAL_LIGHT } from '../src/core/weather/light.ts';
import { dayLength_h, extraterrestrial_MJ_m2 } from '../src/core/weather/sun.ts';
import { daysToEmerge, emergenceShare_frac, germinationRate } from '../src/core/germination/germinationRate.ts';
import { stageDays } from '../src/core/growth/stageDays.ts';
import { hoursOfDay } from '../src/core/plan/schedule/placeClimate.ts';
import { hillFit } from '../src/core/germination/hillFit.ts';
import { countFault, indices, type Count } from '../src/core/germination/indices.ts';
import { ALL_UP_PROGRESS, FIRST_UP_PROGRESS } from '../src/core/germination/spread.ts';
import type { Container } from '../src/core/books/container.ts';
import type { Crop } from '../src/core/books/crop.ts';
import { z } from 'zod';
import { zoneSpec } from '../src/contracts/heat/heat.ts';
import { simulateHours } from '../src/core/heat/simulate.ts';
import { sizingOf } from '../src/core/heat/sizing.ts';
import { usualHours } from '../src/core/heat/yearHours.ts';
import { DRY_BELOW, WATERED } from '../src/core/watering/belief.ts';
import { demandBetween_mm } from '../src/core/watering/drying.ts';
import { deficit_kPa, vapour_kPa, wetSurfaceHour_mm } from '../src/core/watering/evaporation.ts';
import { holdingOf } from '../src/core/watering/holding.ts';
import { feedFor, type Feed } from '../src/core/potting/feed.ts';
import { loose_L, partsFor } from '../src/core/potting/mix.ts';
import { layersOf } from '../src/core/potting/pot.ts';
import { USUAL_POTTING } from '../src/core/potting/settings.ts';
import { fail, figure, positionals, values, Wrong } from './calcArgs.ts';
import { countPhoto } from './countPhoto.ts';
import { seedsToSow } from '../src/core/batch/seedsToSow.ts';

// npm run calc -- COMMAND [options]: the core's arithmetic on the command line, as JSON with units, because and source.

const heatFile = z.strictObject({
  spec: zoneSpec,
  latitude_deg: z.number().min(-90).max(90),
  price_kWh: z.number().min(0),
  normals: z.array(z.strictObject({ day_C: z.number(), night_C: z.number() })).length(12),
});

function cropNamed(name: string | undefined): Crop {
  const read = (file: string) => readFileSync(new URL(`../src/stores/${file}.csv`, import.meta.url), 'utf8');
  const crops = cropsFromLibrary({
    crops: read('crop-library'),
    tables: read('crop-tables'),
    bolting: read('crop-bolting'),
    emergenceDays: read('emergence-days'),
    emergencePercent: read('emergence-percent'),
  });
  const wanted = (name ?? '').trim().toLowerCase();
  const crop =
    crops.find((c) => c.name.toLowerCase() === wanted) ??
    crops.find((c) => c.synonyms.split(';').some((other) => other.trim().toLowerCase() === wanted));
  if (!crop) throw new Wrong(`--crop needs one of: ${crops.map((c) => c.name).join(', ')}`);
  return crop;
}

function emergence(): object {
  const crop = cropNamed(values.crop);
  const temperature_C = figure('temp');
  const half_days = daysToEmerge(germinationRate(crop), temperature_C);
  const tabled = crop.emergence.filter((p) => typeof p.days === 'number').length >= 2;
  return {
    crop: crop.name,
    temperature_C,
    half_days,
    first_days: half_days === null ? null : half_days * FIRST_UP_PROGRESS,
    nineTenths_days: half_days === null ? null : half_days * ALL_UP_PROGRESS,
    shareOfBest_frac: emergenceShare_frac(crop.emergence, temperature_C),
    explanation: tabled
      ? 'monotone cubic of 1/days through the table of days at constant temperatures (Fritsch & Carlson 1980); spread log-normal, sigma 0.2 common practice'
      : 'cardinal temperatures: (T - Tb) / theta50 up to the best, falling to 0 at the ceiling; spread log-normal, sigma 0.2 common practice',
    source: tabled ? crop.source : `Garcia-Huidobro, Monteith & Squire 1982, J. Exp. Bot. 33; figures: ${crop.source}`,
  };
}

/** Temperatures of a file, one to an hour: figures with anything between them but letters; a heading is passed over. */
function hoursOf(file: string): number[] {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new Wrong(`${file}: ${(error as Error).message}`);
  }
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '' && !/^\s*[a-z#"]/i.test(line));
  const cells = lines.flatMap((line) =>
    lines.length > 1 && /[,;\t]/.test(line) ? [line.split(/[,;\t]/).at(-1)!] : line.split(/[\s,;]+/),
  );
  const hours = cells
    .map((cell) => cell.trim())
    .filter(Boolean)
    .map(Number);
  const wrong = hours.findIndex((t) => !Number.isFinite(t) || t < -60 || t > 80);
  if (wrong >= 0) throw new Wrong(`${file}: hour ${wrong + 1} is no temperature in degrees Celsius`);
  if (hours.length === 0 || hours.length % 24 !== 0)
    throw new Wrong(`${file} has ${hours.length} hours; there must be 24 or a multiple of them`);
  return hours;
}

function growth(): object {
  const crop = cropNamed(values.crop);
  const light_mol_m2 = figure('dli');
  if (light_mol_m2 < 0 || light_mol_m2 > 80) throw new Wrong('--dli needs 0 to 80 mol per m2 and day');
  const hours =
    values.hours === undefined ? hoursOfDay(figure('day'), figure('night')) : Float64Array.from(hoursOf(values.hours));
  const { pot_days, ready_days, sums, firstDay_degreeDays, light_factor } = stageDays(
    crop,
    hours,
    light_mol_m2,
    crop.potted && !values.unpotted,
  );
  return {
    crop: crop.name,
    pot_days,
    ready_days,
    degreeDays: { toPot: sums.pot_degreeDays, toReady: sums.ready_degreeDays },
    firstDay_degreeDays,
    light: { factor: light_factor, dli: light_mol_m2, good: crop.dliGood, least: crop.dliLeast },
    explanation:
      'degree-days above the base by the hour, falling above the optimum to nothing at the ceiling; times what the light makes of it, 1 at the crop’s good light, so that the rule of weeks holds at its reference; two days of standstill after potting',
    source:
      'McMaster & Wilhelm 1997; Yan & Hunt 1999; Scaife, Cox & Morris 1987; weeks, temperatures and light of the crop book: common practice from memory',
  };
}

function series(): object {
  const ups = (values.counts ?? '').split(',').filter(Boolean).map(Number);
  if (ups.length === 0 || ups.some((n) => !Number.isFinite(n))) throw new Wrong('--counts needs figures: 0,0,3,7');
  const days = values.days?.split(',').map(Number) ?? ups.map((_, i) => i + 1);
  if (days.length !== ups.length) throw new Wrong(`--days has ${days.length} figures, --counts ${ups.length}`);
  const counts = ups.map((up, i): Count => ({ day: days[i]!, up }));
  const seeds = figure('seeds');
  const fault = countFault(counts, seeds);
  if (fault) throw new Wrong(`count ${fault.at + 1}: ${fault.reason}`);
  return {
    ...indices(counts, seeds),
    hill: hillFit(counts, seeds),
    explanation:
      'days after sowing; t50 straight between counts; the curve is y0 + a t^b / (c^b + t^b), percent of seeds sown',
    source:
      'Coolbear et al. 1984; Farooq et al. 2005; Maguire 1962; Timson 1965; Primack 1980; Wilson 1927; El-Kassaby et al. 2008',
  };
}

function seeds(): object {
  const question = {
    plantsWanted: figure('want'),
    confidence: figure('confidence', 0.9),
    germination_frac: figure('germ'),
    field_frac: figure('field', 1),
    behind_seeds: values.tested === undefined ? null : figure('tested'),
    loss_frac: figure('losses', 0),
    cull_frac: figure('culls', 0),
    seedsPerCell: figure('percell', 1),
    teased_frac: figure('teased', 0),
  };
  const answer = seedsToSow(question);
  return {
    ...question,
    answer: answer && { ...answer, chances: undefined, from: undefined },
    explanation: 'fewest cells with which the chance of at least so many good plants reaches the confidence',
    source:
      'binomial through germination, field, losses and culls; beyond 1,200 seeds with several to a cell, the normal curve',
  };
}

function light(): object {
  const latitude_deg = figure('latitude');
  const dayOfYear = figure('day');
  const light_mol_m2 = dailyLight_mol_m2({
    latitude_deg,
    dayOfYear,
    sunshine_frac: figure('sunshine', USUAL_LIGHT.sunshine_frac),
    cover_frac: figure('cover', USUAL_LIGHT.cover_frac),
    lamps_umol_m2_s: figure('ppfd', 0),
    lamps_h: figure('hours', 0),
  });
  const warm = values.mean !== undefined && values.base !== undefined;
  return {
    dayLength_h: dayLength_h(latitude_deg, dayOfYear),
    extraterrestrial_MJ_m2: extraterrestrial_MJ_m2(latitude_deg, dayOfYear),
    light_mol_m2,
    photothermalRatio_mol_m2_degreeDay: warm ? photothermalRatio(light_mol_m2, figure('mean'), figure('base')) : null,
    explanation:
      'sun above the air, a quarter of it and half the share of sunshine through the sky, 45% of that usable light, 4.57 micromol per J; lamps PPFD x hours x 0.0036',
    source: 'FAO Irrigation and Drainage Paper 56 eq. 21-25, 34, 35; Thimijan & Heins 1983; Liu & Heins 1997',
  };
}

function heat(): object {
  if (!values.zone) throw new Wrong('--zone needs a file, such as docs/zone.example.json');
  let read: unknown;
  try {
    read = JSON.parse(readFileSync(values.zone, 'utf8'));
  } catch (error) {
    throw new Wrong(`${values.zone}: ${(error as Error).message}`);
  }
  const site = heatFile.safeParse(read);
  if (!site.success) throw new Wrong(site.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
  const { spec, normals, latitude_deg, price_kWh } = site.data;
  const set_C = figure('set', 20);
  const month = figure('month', 4) - 1;
  if (!(Number.isInteger(month) && month >= 0 && month <= 11)) throw new Wrong('--month needs 1 to 12');
  const outside_C = figure('outside', 0);
  const sized = (cover: typeof spec.cover.night) => sizingOf(spec, { set_C, outside_C, mode: { cover, open: false } });
  const hours = usualHours({ normals, latitude_deg, month, days: 5, setDay_C: set_C, setNight_C: set_C });
  const ran = simulateHours(spec, hours, [set_C, set_C, set_C]);
  const day = <T extends ArrayLike<number>>(column: T) =>
    Array.from(column)
      .slice(-24)
      .map((v) => Math.round(v * 100) / 100);
  const energy_kWh = day(ran.energy_kWh).reduce((sum, e) => sum + e, 0);
  return {
    set_C,
    outside_C,
    asCoveredAtNight: sized(spec.cover.night),
    uncovered: sized('none'),
    usualDay: {
      month: month + 1,
      energy_kWh,
      money: energy_kWh * price_kWh,
      byHour: {
        outside_C: day(hours.outside_C),
        medium_C: day(ran.medium_C),
        bed_C: day(ran.bed_C),
        air_C: day(ran.air_C),
        energy_kWh: day(ran.energy_kWh),
      },
    },
    explanation:
      'bed, medium and air as a linear network, stepped exactly by the minute; resistances of layers and gaps; the fifth of five days alike',
    source:
      'ISO 6946:2017; Van Loan 1978; Parton & Logan 1981; FAO-56 eq. 35; covers, damp and contact: common practice, no source',
  };
}

function mix(): object {
  const pots = figure('pots');
  const measured = values.top !== undefined;
  const container: Container = {
    id: 1,
    name: 'this pot',
    kind: 'pot',
    cells: 1,
    perCarryingTray: 1,
    footprint_slots: 1,
    volume_L: measured ? figure('litres', 0) : figure('litres'),
    shape: measured
      ? {
          section: values.square ? 'square' : 'round',
          top_mm: figure('top'),
          base_mm: figure('base'),
          height_mm: figure('height'),
        }
      : null,
  };
  const parts = (values.parts ?? '').split(',').flatMap((text, i) => {
    const words = text.trim().split(/\s+/);
    if (words.length < 2) return [];
    const bag = words.length > 2 ? Number(words.at(-1)) : 0;
    const share = Number(words.length > 2 ? words.at(-2) : words.at(-1));
    if (!Number.isFinite(bag) || !Number.isFinite(share)) throw new Wrong(`--parts: "${text.trim()}" has no figures`);
    return [{ id: i + 1, name: words.slice(0, words.length > 2 ? -2 : -1).join(' '), parts: share, pack: bag }];
  });
  if (parts.length === 0) throw new Wrong('--parts needs at least one: "compost 6 60, grit 1 20"');
  const more = {
    settle_frac: figure('settle', USUAL_POTTING.settle_frac),
    waste_frac: figure('waste', USUAL_POTTING.waste_frac),
  };
  const layers = layersOf(container, figure('depth', 0));
  const top_L = loose_L(layers.top_L * pots, more);
  const recipe = { id: 1, name: 'the mix', parts: parts.map((p) => ({ itemId: p.id, parts: p.parts })) };
  return {
    pots,
    eachPot_L: layers,
    base_loose_L: loose_L(layers.base_L * pots, more),
    mix_loose_L: top_L,
    parts: partsFor([{ recipe, litres: top_L }], new Map(parts.map((p) => [p.id, p]))),
    explanation: 'volume of the pot by its measures or stated litres, more for settling and waste, shared out by parts',
    source: 'frustum V = h/3 (A1 + A2 + sqrt(A1 A2)); settling and waste are common practice, no source',
  };
}

function feed(): object {
  const npk = (values.npk ?? '').split('-').map(Number);
  if (npk.length !== 3 || npk.some((n) => !Number.isFinite(n))) throw new Wrong('--npk needs three figures: 20-20-20');
  const [n_percent, p_percent, k_percent] = npk as [number, number, number];
  const label: Feed = {
    name: 'feed',
    form: values.liquid ? 'liquid' : 'powder',
    basis: values.wv ? 'w/v' : 'w/w',
    named: values.element ? 'element' : 'oxide',
    n_percent,
    p_percent,
    k_percent,
    rate_perL: figure('rate'),
    density_kg_L: figure('density', 1),
    ec_mS: values.labelec === undefined ? null : figure('labelec'),
  };
  return {
    ...feedFor(label, {
      fraction: figure('fraction', 1),
      water_L: figure('water'),
      injector: values.injector === undefined ? null : figure('injector'),
      water_mS: figure('waterec', 0),
    }),
    units: { amount: 'g or mL, see unit', ppm: 'mg/L that reaches the plants', ec_mS: 'mS/cm' },
    explanation: 'ppm = g/L x 10 x %; P = 0.4364 P2O5, K = 0.8301 K2O; a tank holds the rate times what it makes',
    source: 'arithmetic of fertiliser handbooks; standard atomic weights, IUPAC 2021. Follow the label.',
  };
}

function frost(): object {
  if (!values.csv) throw new Wrong('--csv needs a file of daily weather with columns date and temp_min');
  let text: string;
  try {
    text = readFileSync(values.csv, 'utf8');
  } catch (error) {
    throw new Wrong(`${values.csv}: ${(error as Error).message}`);
  }
  const { names, guess } = columnsOf(text);
  const date = values.date ?? guess.date;
  const least = values.least ?? guess.least;
  if (!looksLikeDly(text) && (!date || !least))
    throw new Wrong(
      `no columns date and temp_min; the file has ${names.join(', ')}: name them with --date and --least`,
    );
  const unit = WEATHER_UNITS.find((u) => u === (values.unit ?? 'C'));
  if (!unit) throw new Wrong('--unit is C, F or tenths');
  const file = looksLikeDly(text)
    ? readDly(text)
    : readWeatherCsv(text, {
        date: date!,
        least: least!,
        most: guess.most ?? null,
        rain: null,
        station: guess.station ?? null,
        stationIs: values.location ?? null,
        unit,
      });
  if (file.doubts.length > 0) throw new Wrong(file.doubts.join(' '));
  if (file.days.length === 0) throw new Wrong(values.location ? `no days of ${values.location}` : 'no days in it');
  const threshold_C = figure('threshold', 0);
  const south = values.south === true;
  const lows = file.days.flatMap((d) => (d.least_C === null ? [] : [{ day: d.day, least_C: d.least_C }]));
  const seasons = frostSeasons(lows, threshold_C, south);
  const risks = values.risk === undefined ? [0.5, 0.3, 0.2, 0.1, 0.05] : [figure('risk')];
  const side = (which: 'spring' | 'autumn') => {
    const dates = frostDates(seasons, which, south);
    return {
      years: dates.years,
      without: dates.without,
      atRisk: risks.map((risk) => ({ risk, ...dateAtRisk(dates, risk) })),
    };
  };
  const iso = (day: number | null) => (day === null ? null : isoFromDay(day));
  return {
    threshold_C,
    days: file.days.length,
    notRead: file.problemCount,
    seasons: seasons.map((s) => ({ ...s, lastSpring: iso(s.lastSpring), firstAutumn: iso(s.firstAutumn) })),
    lastSpring: side('spring'),
    firstAutumn: side('autumn'),
    explanation:
      'last day at or below the threshold before midsummer and first after it, season by season; halves with more than 9 days missing or a gap about the frost are left out; quantiles at i / (n + 1)',
    source: 'Weibull plotting positions, Hyndman & Fan 1996 type 6',
  };
}

/** The cells of a tray in a picture. */
function count(): Promise<object> {
  if (values.photo === undefined) throw new Wrong('--photo needs a file');
  return countPhoto(values.photo, figure('rows'), figure('columns'), values.corners);
}

const KINDS = ['seed-tray', 'cell-tray', 'block', 'pot'] as const;

/** A day of the same air under glass, light as half a sine from six to six. */
function water(): object {
  const kind = KINDS.find((one) => one === (values.kind ?? 'cell-tray'));
  if (!kind) throw new Wrong(`--kind is one of ${KINDS.join(', ')}`);
  const temp_C = figure('temp');
  const ea_kPa = vapour_kPa(temp_C, figure('humidity', 0.65));
  const light_MJ = figure('dli', 8) / MOL_PER_MJ;
  const cover = figure('cover', 0.4);
  const hours = Array.from({ length: 24 }, (_, h) =>
    wetSurfaceHour_mm({
      temp_C,
      vapour_kPa: ea_kPa,
      air_m_s: figure('air', 0.15),
      light_W_m2: (Math.max(0, Math.sin((Math.PI * (h - 6)) / 12)) * light_MJ * 1e6 * Math.PI) / 24 / 3600,
      bottom_K: figure('bottom', 0),
      height_m: 0,
    }),
  );
  const day_mm = hours.reduce((sum, mm) => sum + mm, 0);
  const holds = holdingOf({
    kind,
    footprint_slots: 1,
    volume_L: figure('litres', 0),
    perCarryingTray: figure('per', 1),
  });
  return {
    demand_mm_day: day_mm,
    deficit_kPa: deficit_kPa(temp_C, ea_kPa),
    holds_L: holds.water_L,
    holds_mm: holds.capacity_mm,
    guessedLitres: holds.guessed,
    days_toDry: demandBetween_mm(WATERED, DRY_BELOW, holds.capacity_mm, cover) / day_mm,
    explanation:
      'what a wet surface loses by light, vapour pressure deficit, moving air and heat from below; a tray holds 28% of its mix as water (blocks 32%) and gives less the drier it is; dry is under 35% of that',
    source:
      'Penman 1948, Shuttleworth 1993 eq. 4.2.30 (from memory); FAO-56 eq. 11, 13, 84 and ch. 7; De Boodt & Verdonck 1972 (from memory); thresholds common practice',
  };
}

const COMMANDS: Readonly<Record<string, () => object | Promise<object>>> = {
  emergence,
  growth,
  indices: series,
  seeds,
  light,
  water,
  heat,
  mix,
  feed,
  frost,
  count,
};
const command = COMMANDS[positionals[0] ?? ''];
if (!command) fail(positionals[0] ? `There is no command ${positionals[0]}.` : 'Say what to work out.');
try {
  process.stdout.write(`${JSON.stringify(await command(), null, values.json ? 0 : 2)}\n`);
} catch (error) {
  if (error instanceof Wrong || error instanceof RangeError) fail(error.message);
  throw error;
}
