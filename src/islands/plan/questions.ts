import { isoFromDay, dayFromIso } from '../../core/calendar/dayNumber.ts';
import type { ScenarioData } from '../../contracts/plan/planning.ts';
import { WHAT_IF } from '../../words/en/whatIf.ts';
import { takesSecondFilm } from '../../core/plan/schedule/lightChoices.ts';
import { scenarioOf, weeksAt } from './scenario.ts';
import type { SeasonNow } from './usePlanChanges.ts';

/** A ready-made what-if. */
export interface Question {
  readonly name: string;
  readonly data: ScenarioData;
}

const MORE_frac = 1.5;
const COOLER_K = 2;
const YOUNG_frac = 0.8;
const WEEK_days = 7;

/**
 * Questions the season as it is can be asked; those that would change nothing are left out.
 * @param fullest place that is fullest in the weeks to come; null: nothing stands anywhere
 * @param words of a difference in the house's scale
 */
export function questionsOf(
  now: SeasonNow,
  fullest: number | null,
  words: (delta_K: number) => string,
): readonly Question[] {
  const as = scenarioOf(now);
  const unsown = new Set(now.initial.filter(({ state }) => state.phase === 'planned').map(({ id }) => id));
  const place = now.house.places.find(({ id }) => id === fullest);
  const cooled = now.house.places.flatMap(({ id, temperature }) => {
    if (temperature?.kind !== 'set-point' || temperature.usual_C === null) return [];
    const wanted = temperature.usual_C - COOLER_K;
    const lower = temperature.levels_C.filter((level) => level < temperature.usual_C!);
    // The level nearest to it that the place may be set to.
    const level = lower.sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted))[0];
    return level === undefined ? [] : [[id, weeksAt(now.house.today, level)] as const];
  });
  const coolWeeks = new Map(cooled);
  const filmed = now.house.places.filter(({ light }) => light?.secondFilm === true);
  const bare = now.house.places.filter((one) => one.kind === 'house' && takesSecondFilm(one));
  const films = filmed.length > 0 ? filmed : bare;
  const batches = (
    change: (batch: ScenarioData['batches'][number]) => ScenarioData['batches'][number],
  ): ScenarioData => ({
    ...as,
    batches: as.batches.map((batch) => (unsown.has(batch.id) ? change(batch) : batch)),
  });
  return [
    ...(place
      ? [
          {
            name: WHAT_IF.moreRoom(place.name),
            data: {
              ...as,
              places: as.places.map((one) =>
                one.id === place.id ? { ...one, room_trays: Math.ceil(one.room_trays * MORE_frac) } : one,
              ),
            },
          },
        ]
      : []),
    ...(coolWeeks.size > 0
      ? [
          {
            name: WHAT_IF.cooler(words(COOLER_K)),
            data: {
              ...as,
              places: as.places.map((one) => ({ ...one, setPoints: coolWeeks.get(one.id) ?? one.setPoints })),
            },
          },
        ]
      : []),
    ...(films.length > 0
      ? [
          {
            name: filmed.length > 0 ? WHAT_IF.noFilm : WHAT_IF.secondFilm,
            data: {
              ...as,
              places: as.places.map((one) =>
                films.some(({ id }) => id === one.id) ? { ...one, secondFilm: filmed.length === 0 } : one,
              ),
            },
          },
        ]
      : []),
    ...(unsown.size > 0
      ? [
          {
            name: WHAT_IF.young,
            data: batches((batch) => ({ ...batch, age_frac: batch.age_frac * YOUNG_frac, steps: {} })),
          },
          {
            name: WHAT_IF.later,
            data: batches((batch) => ({
              ...batch,
              steps: {},
              transplantOn: isoFromDay(dayFromIso(batch.transplantOn)! + WEEK_days),
            })),
          },
        ]
      : []),
    { name: WHAT_IF.same, data: as },
  ];
}
