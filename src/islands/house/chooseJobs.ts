import { chooseRound, shareAll, type Choice, type ChoiceTask } from '../../core/house/roundChoice.ts';
import { walk_min } from '../../core/house/walk.ts';
import type { RoundJob, RoundView } from '../../contracts/house/roundView.ts';

/** Stands for whoever walks when nobody said who is here. */
export const SOMEBODY = 0;

/** What is done of a round, by whom, and what is left. */
export interface RoundPlan extends Choice {
  /** Person of each job that is done, by key. */
  readonly personOf: ReadonlyMap<string, number>;
}

/** A job of the round, or watering a place, as it is chosen. */
export type Choosable = Pick<RoundJob, 'key' | 'minutes' | 'weight' | 'holder' | 'leaving' | 'leavingWords'>;

/** Watering what wants it before tonight, at each of some places. */
export const waterWork = (places: RoundView['places']): Choosable[] =>
  places.flatMap(({ water }) => (water?.work ? [{ ...water.work, holder: null }] : []));

/**
 * The jobs of a round that fit the time there is, so that leaving the rest costs least; or all of them, shared out.
 * @param jobs still to be done, of the half of the day that is walked
 * @param minutes null: all of them; 0: those that must be today
 * @param here people who walk; empty: one
 */
export function planRound(
  { places }: Pick<RoundView, 'places'>,
  jobs: readonly Choosable[],
  minutes: number | null,
  here: readonly number[],
): RoundPlan {
  const walk = places.filter((place) => jobs.some((job) => placeOf(places, job) === place));
  const kept = minutes === 0 ? jobs.filter(({ leaving }) => leaving.mustNow) : jobs;
  const task: ChoiceTask = {
    jobs: kept.map((job) => ({
      key: job.key,
      place: walk.indexOf(placeOf(places, job)),
      minutes: job.minutes,
      weight: job.weight,
      holder: job.holder,
    })),
    places: walk.length,
    walk_min: (from, to) => walk_min(walk[from] ?? null, walk[to]!),
    people: here.length === 0 ? [SOMEBODY] : here,
    minutes: minutes ?? 0,
  };
  const choice = minutes ? chooseRound(task) : shareAll(task);
  const left = minutes === 0 ? jobs.filter((job) => !kept.includes(job)) : [];
  return {
    ...choice,
    left: [...choice.left, ...left.map(({ key }) => key)],
    lost: choice.lost + left.reduce((sum, { weight }) => sum + weight, 0),
    personOf: new Map(choice.shares.flatMap(({ person, keys }) => keys.map((key) => [key, person] as const))),
  };
}

const placeOf = (places: RoundView['places'], job: Choosable) =>
  places.find(({ jobs, water }) => water?.work?.key === job.key || jobs.some(({ key }) => key === job.key))!;
