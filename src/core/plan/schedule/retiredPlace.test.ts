import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../../tests/references/library.ts';
import type { Place } from '../../books/place.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { placeSpec } from '../placement/seasonPlaces.ts';
import { seasonTables } from './seasonTables.ts';
import { placesForStage } from './suits.ts';

const place = (id: number, retiredOn: string | null): Place => ({
  id,
  name: `Bench ${id}`,
  kind: 'bench',
  lit: true,
  room_trays: 10,
  walkOrder: id,
  periods: [{ from: '01-01', day_C: 22, night_C: 18 }],
  closed: [{ from: requireDay('2027-03-05'), to: requireDay('2027-03-06') }],
  retiredOn,
});
const from = requireDay('2027-03-01');
const places = [place(1, null), place(2, '2027-02-01')];
const tables = seasonTables(places, from, 400, { normals: null });

describe('a retired place', () => {
  it('is no place for anything to come, but keeps its temperatures for what stood there', () => {
    expect(placesForStage(tables, cropNamed('tomato'), 'grow', from).map((fit) => fit.placeId)).toEqual([1]);
    expect(tables.climateOf(2).day_C[10]).toBe(22);
  });

  it('is closed to the planner on all its days; one in use on the days it is closed', () => {
    const season = { tables } as never;
    expect(placeSpec(places[0]!, season, from, 30).closed).toEqual([[4, 6]]);
    expect(placeSpec(places[1]!, season, from, 30).closed).toEqual([[0, 30]]);
  });
});
