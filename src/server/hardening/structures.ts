import { cropOf } from '../../core/books/cropOf.ts';
import { dayOfYear } from '../../core/calendar/dayNumber.ts';
import { COMMON_PRACTICE } from '../../core/explanation.ts';
import { sun_W_m2 } from '../../core/weather/hourly.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import { lidDays, type LidDay, type NightAct, type StructureHour } from '../../core/heat/lid.ts';
import { GLAZING } from '../../core/heat/structure.ts';
import { stageRange } from '../../core/plan/schedule/suits.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { StructureView } from '../../contracts/hardening/hardenViews.ts';
import type { CoverRecord } from '../../core/hardening/records.ts';
import type { Season } from '../../core/plan/season.ts';
import { soilOn, type Site } from '../../core/weather/site.ts';
import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { WORDS } from '../../words/en/hardening/structuresServer.ts';

/** What plants in general stand when none are in it. Common practice, no source. */
const USUAL_RANGE = { least_C: 4, most_C: 26 } as const;
/** Air inside is let come no higher than this below what hurts. Common practice, no source. */
const WARM_C = 27;

/** What those standing in a place want: the tenderest's floor, the coolest's top. */
export function rangeIn(season: Season, placeId: number): { least_C: number; most_C: number; standing: string[] } {
  const { today } = season.now;
  const there = season.batches.filter(
    (view) =>
      view.state.phase !== 'planned' &&
      view.progress.stands.some((s) => s.placeId === placeId && s.from <= today && s.to > today),
  );
  if (there.length === 0) return { ...USUAL_RANGE, standing: [] };
  const ranges = there.map((view) => {
    const crop = cropOf(season, view.batch);
    const { low_C, high_C } = stageRange(crop, 'harden');
    return { low_C, high_C: Math.min(high_C, crop.group === 'cool' ? WARM_C - 3 : WARM_C) };
  });
  const least_C = Math.max(...ranges.map((r) => r.low_C));
  return {
    least_C,
    most_C: Math.max(least_C + 8, Math.min(...ranges.map((r) => r.high_C))),
    standing: there.map((v) => v.name),
  };
}

/** Hours of the forecast as a structure meets them. */
export function structureHours(site: Site, season: Season): StructureHour[] {
  const { world } = season;
  const noon = solarNoon_h(world, season.now.instant_ms);
  return (site.forecast?.hours ?? [])
    .filter((h) => h.day >= site.today)
    .map((h) => {
      const cloud_frac = h.cloud_frac ?? 0.5;
      const solar = h.hour + 0.5 - (noon - 12);
      return {
        day: h.day,
        hour: h.hour,
        temp_C: h.temp_C,
        wind_m_s: h.wind_m_s ?? 2,
        cloud_frac,
        sun_W_m2: sun_W_m2(world.nursery.latitude_deg, dayOfYear(h.day), 1 - cloud_frac, solar),
      };
    });
}

const todayHeld = new Derived<Season['batches'], StructureView[]>();

/** Every structure today and tonight only, for the round; worked out once while the season stands. */
export function structuresToday(season: Season): StructureView[] {
  return todayHeld.get(season.batches, () => structureViews(season, 2));
}

/**
 * The coming days of every structure, with today's times.
 * @param days how many of them
 */
export function structureViews(season: Season, days = 10): StructureView[] {
  const { site, world } = season;
  if (!site) return [];
  const hours = structureHours(site, season).filter((h) => h.day < site.today + days);
  return world.covers.flatMap((cover) => {
    if (!cover.structure || cover.placeId === null || hours.length < 12) return [];
    return [structureView(season, site, cover, hours)];
  });
}

function structureView(season: Season, site: Site, cover: CoverRecord, hours: readonly StructureHour[]): StructureView {
  const { world } = season;
  const { nursery } = world;
  const spec = cover.structure!;
  const { standing, ...range } = rangeIn(season, cover.placeId!);
  const ground = soilOn(site, site.today) ?? 8;
  const inside = hours[0]!.temp_C + Math.max(0, site.worths.get(cover.id)?.worth_K ?? 0);
  const days = lidDays(
    spec,
    hours,
    range,
    nursery.planting.home,
    nursery.planting.lidSchool,
    [inside, Math.max(inside, ground), inside],
    ground,
  );
  const unit = nursery.temperatureUnit;
  const [today] = days;
  const stepNames = spec.steps.map((s) => s.name);
  return {
    cover,
    placeName: world.places.find((p) => p.id === cover.placeId)?.name ?? cover.name,
    range,
    standing,
    days,
    outside_C: days.map((d) => hours.filter((h) => h.day === d.day).map((h) => h.temp_C)),
    today: today ? lidWords(today, stepNames, unit) : '',
    tonight: today ? nightWords(today, range.least_C, unit) : '',
    explanation: {
      rule: WORDS.heatInBySunAnd,
      inputs: [
        { name: WORDS.plantsWantAtLeast, temperature_C: range.least_C },
        { name: WORDS.andAtMost, temperature_C: range.most_C },
        { name: WORDS.lossThroughTheGlazing, value: `${GLAZING[spec.glazing].u_W_m2K} W/m²K` },
        {
          name: WORDS.lightLetThrough,
          value: `${Math.round(100 * GLAZING[spec.glazing].light_frac * (1 - spec.shade_frac))}%`,
        },
        {
          name: WORDS.somebodyIsThere,
          value: WORDS.words00To00(nursery.planting.home.from_h, nursery.planting.home.to_h),
        },
        { name: WORDS.school, value: WORDS.schools[nursery.planting.lidSchool.kind] },
      ],
      source: WORDS.glazingByHandbooksVentilationBy(COMMON_PRACTICE),
    },
  };
}

const clock = (hour: number) => `${hour}:00`;

/** Today's lid in a line: "ajar at 8:00, open at 10:00, shut at 17:00; shut in sun it would reach 34° by 14:00". */
export function lidWords(day: LidDay, steps: readonly string[], unit: TemperatureUnit): string {
  const moves = day.moves.map((m) => WORDS.at(steps[m.step], clock(m.hour)));
  const first = moves.length === 0 ? WORDS.leaveIt(steps[0]) : moves.join(', ');
  const hot =
    day.tooHotFrom === null
      ? WORDS.shutAllDayItComes(degreesWords(day.shutMost_C, unit))
      : WORDS.shutInSunItWould(degreesWords(day.shutMost_C, unit), clock(day.shutMostAt));
  return `${first}; ${hot}`;
}

export const ACT_WORDS: Readonly<Record<NightAct, string>> = {
  nothing: WORDS.lidShut,
  water: WORDS.waterTheFloor,
  fleece: WORDS.fleeceOverTheTrays,
  blanket: WORDS.aBlanketOverTheGlass,
  heater: WORDS.heaterOn,
};

/** Tonight in a line: the least that is enough. */
export function nightWords(day: LidDay, least_C: number, unit: TemperatureUnit): string {
  const [plain] = day.night;
  if (!plain) return '';
  const low = degreesWords(plain.least_C, unit);
  if (plain.enough) return WORDS.tonightWithTheLidShut(low);
  const enough = day.night.find((n) => n.enough);
  const wants = WORDS.tonightWithTheLidShut2(low, degreesWords(least_C, unit));
  if (!enough) {
    const best = [...day.night].sort((a, b) => b.least_C - a.least_C)[0]!;
    return `${wants}: ${WORDS.nothingAtHandIsEnough(ACT_WORDS[best.act], degreesWords(best.least_C, unit))}`;
  }
  const kWh = enough.kWh > 0.05 ? WORDS.kwh(enough.kWh.toFixed(1)) : '';
  return WORDS.holds(wants, ACT_WORDS[enough.act], degreesWords(enough.least_C, unit), kWh);
}
