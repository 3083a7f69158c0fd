import { useMemo, useRef } from 'react';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { NewWay } from '../../core/plan/placement/placeNew.ts';
import { withSetPoints } from '../../core/plan/placement/proposal.ts';
import { tablesOfHouse, type SeasonTables } from '../../core/plan/schedule/seasonTables.ts';

/** Places and days of the way taken, as the call wants them. */
export function takenBody({ proposed }: NewWay): Record<string, unknown> {
  const days = Object.entries(proposed.steps).map(([key, day]) => [key, isoFromDay(day)]);
  return { places: proposed.places, steps: Object.fromEntries(days) as Record<string, string> };
}

/** Set-points that the way wants in weeks in which nothing stands there. */
export function setPointsBody({ setPoints }: NewWay, house: HouseData): unknown[] {
  return setPoints.map(({ placeId, setPoints: weeks }) => ({
    placeId,
    version: house.places.find((p) => p.id === placeId)!.version,
    setPoints: weeks.map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C })),
  }));
}

/** The tables with the set-points a way wants. */
export function useTablesWith(house: HouseData, tables: SeasonTables, way: NewWay | null): SeasonTables {
  return useMemo(() => {
    if (!way || way.setPoints.length === 0) return tables;
    const of = new Map(way.setPoints.map((s) => [s.placeId, s.setPoints]));
    return tablesOfHouse({ ...house, places: house.places.map((place) => withSetPoints(place, of.get(place.id))) });
  }, [house, tables, way]);
}

/** A plan whose places the planner is to find. */
export function withoutPlaces(plan: BatchPlan | null): BatchPlan | null {
  return plan && { ...plan, places: { germinate: null, grow: null, pot: null, harden: null } };
}

/** The same object as long as it says the same. */
export function useStable<T>(value: T): T {
  const last = useRef({ text: '', value });
  const text = JSON.stringify(value);
  if (text !== last.current.text) last.current = { text, value };
  return last.current.value;
}
