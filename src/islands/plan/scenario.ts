import { withSecondFilm } from '../../core/plan/schedule/lightChoices.ts';
import { isOver } from '../../core/batch/event.ts';
import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { mondayOf } from '../../core/calendar/week.ts';
import type { BatchPlan, PlannedSteps } from '../../core/plan/batchPlan.ts';
import type { StagePlaces } from '../../core/plan/stage.ts';
import type { WeekSetPoint } from '../../core/books/place.ts';
import type { ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import type { ScenarioData } from '../../contracts/plan/planning.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import type { BatchToWrite, SeasonNow } from './usePlanChanges.ts';

const dayOf = (iso: string): number => dayFromIso(iso)!;
const WEEKS_AHEAD = 30;

/** The season as it is planned, as a what-if to begin from. */
export function scenarioOf({ house, initial }: SeasonNow): ScenarioData {
  return {
    places: house.places.map((place) => ({
      id: place.id,
      room_trays: place.room_trays,
      setPoints: (place.setPoints ?? []).map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C })),
    })),
    batches: initial
      .filter(({ state }) => !isOver(state.phase))
      .map(({ id, version, plan }) => ({
        id,
        version,
        places: { ...plan.places },
        steps: Object.fromEntries(Object.entries(plan.steps ?? {}).map(([key, day]) => [key, isoFromDay(day)])),
        transplantOn: isoFromDay(plan.transplantOn),
        age_frac: plan.age_frac ?? 1,
      })),
  };
}

/** The season with a what-if laid over it. Batches and places made since are as they are now. */
export function seasonWith(now: SeasonNow, data: ScenarioData): { house: HouseData; batches: readonly SeasonBatch[] } {
  const places = new Map(data.places.map((place) => [place.id, place]));
  const batches = new Map(data.batches.map((batch) => [batch.id, batch]));
  return {
    house: {
      ...now.house,
      places: now.house.places.map((place) => {
        const other = places.get(place.id);
        if (!other) return place;
        const setPoints: WeekSetPoint[] = other.setPoints.map((s) => ({
          week: dayOf(s.week),
          setPoint_C: s.setPoint_C,
        }));
        const glazed = other.secondFilm === undefined ? place : withSecondFilm(place, other.secondFilm);
        return { ...glazed, room_trays: other.room_trays, setPoints };
      }),
    },
    batches: now.initial.map((batch) => {
      const other = batches.get(batch.id);
      if (!other || isOver(batch.state.phase)) return batch;
      const steps: PlannedSteps = Object.fromEntries(
        Object.entries(other.steps).map(([key, iso]) => [key, dayOf(iso)]),
      );
      const plan: BatchPlan = {
        ...batch.plan,
        places: other.places as StagePlaces,
        steps,
        transplantOn: dayOf(other.transplantOn),
        age_frac: other.age_frac,
      };
      return { ...batch, plan };
    }),
  };
}

/** Batches of a what-if that have been changed since it was made: adopting it would overwrite that. */
export function changedSince(now: SeasonNow, data: ScenarioData): readonly SeasonBatch[] {
  const versions = new Map(data.batches.map((batch) => [batch.id, batch.version]));
  return now.initial.filter((batch) => versions.has(batch.id) && versions.get(batch.id) !== batch.version);
}

/** Places over which a what-if lays a second film or takes it off: work with the hands, which no plan does by itself. */
export function filmsChanged(now: SeasonNow, data: ScenarioData): readonly string[] {
  const { house } = seasonWith(now, data);
  return house.places
    .filter((place, i) => place.light?.secondFilm !== now.house.places[i]!.light?.secondFilm)
    .map(({ name }) => name);
}

/** What adopting a what-if writes: only what differs from now. */
export function adoption(
  now: SeasonNow,
  data: ScenarioData,
): {
  batches: readonly BatchToWrite[];
  setPoints: readonly ProposedSetPoints[];
  rooms: readonly { placeId: number; room_trays: number }[];
} {
  const { house, batches } = seasonWith(now, data);
  const before = new Map(now.initial.map((batch) => [batch.id, batch.plan]));
  const text = (plan: BatchPlan) =>
    JSON.stringify([
      plan.places.germinate,
      plan.places.grow,
      plan.places.pot,
      plan.places.space ?? null,
      plan.places.harden,
      Object.entries(plan.steps ?? {}).sort(),
      plan.transplantOn,
      plan.age_frac ?? 1,
    ]);
  return {
    batches: batches
      .filter((batch) => text(batch.plan) !== text(before.get(batch.id)!))
      .map(({ id, plan }) => ({
        id,
        places: plan.places,
        steps: plan.steps ?? {},
        transplantOn: plan.transplantOn,
        age_frac: plan.age_frac ?? 1,
      })),
    setPoints: house.places.flatMap((place, i): ProposedSetPoints[] => {
      const was = new Map((now.house.places[i]!.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
      const setPoints = (place.setPoints ?? []).filter((s) => !was.has(s.week) || was.get(s.week) !== s.setPoint_C);
      return setPoints.length > 0 ? [{ placeId: place.id, setPoints }] : [];
    }),
    rooms: house.places
      .filter((place, i) => place.room_trays !== now.house.places[i]!.room_trays)
      .map((place) => ({ placeId: place.id, room_trays: place.room_trays })),
  };
}

/** A set-point for every week from the next on. */
export function weeksAt(today: number, setPoint_C: number | null): { week: string; setPoint_C: number | null }[] {
  return Array.from({ length: WEEKS_AHEAD }, (_, i) => ({
    week: isoFromDay(mondayOf(today) + 7 * (i + 1)),
    setPoint_C,
  }));
}
