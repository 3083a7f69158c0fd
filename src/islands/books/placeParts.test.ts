import { afterEach, describe, expect, it } from 'vitest';
import { DEMO_PLACES } from '../../../simulators/demoBooks.ts';
import { placeInput } from '../../contracts/books/books.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import type { PlaceRecord } from '../../core/books/records.ts';
import { tellHouse } from '../../ui/house.ts';
import { partsOf, partsToSend } from './placeParts.ts';

const records: PlaceRecord[] = DEMO_PLACES.map((place) => ({
  ...place,
  version: 1,
  setPoints: place.id === 3 ? [{ week: requireDay('2027-04-19'), setPoint_C: 20 }] : [],
  closed: place.id === 4 ? [{ from: requireDay('2027-07-01'), to: requireDay('2027-07-08') }] : [],
}));
const sendable = (place: PlaceRecord, sent: Record<string, unknown>) => ({
  name: place.name,
  kind: place.kind,
  lit: place.lit,
  room_trays: place.room_trays,
  walkOrder: place.walkOrder,
  periods: place.periods,
  ...sent,
});

afterEach(() => tellHouse({ unit: 'C', lengthUnit: 'cm', currency: 'EUR' }));

describe('a place as it is typed', () => {
  it.each(['C', 'F'] as const)('goes there and back unchanged in degrees %s', (unit) => {
    tellHouse({ unit, lengthUnit: unit === 'F' ? 'in' : 'cm', currency: 'EUR' });
    for (const place of records) {
      const sent = partsToSend(partsOf(place, unit), place, unit);
      const read = placeInput.parse(sendable(place, sent));
      expect(read.temperature, place.name).toEqual(place.temperature ?? { kind: 'written' });
      expect(read.setPoints).toEqual(place.id === 3 ? [{ week: '2027-04-19', setPoint_C: 20 }] : []);
      expect(read.closed).toEqual(place.id === 4 ? [{ from: '2027-07-01', to: '2027-07-08' }] : []);
      expect(read.size).toEqual(place.size ?? null);
    }
  });

  it('is typed in feet and in watts for a degree Fahrenheit where the house reads those', () => {
    tellHouse({ unit: 'F', lengthUnit: 'in', currency: 'USD' });
    const bench = records.find((p) => p.temperature?.kind === 'set-point')!;
    const parts = { ...partsOf(bench, 'F'), sized: true, width: '10', loss: '5' };
    // A foot is 0.3048 m exactly (NIST SP 811); a kelvin is 1.8 °F.
    const sent = partsToSend(parts, bench, 'F') as { size: object; temperature: object };
    expect(sent.size).toMatchObject({ width_m: 3.048 });
    expect(sent.temperature).toMatchObject({ loss_W_per_K: 9 });
  });

  it('takes "off", decimal commas and any way of writing a list', () => {
    const bench = records.find((p) => p.id === 3)!;
    const typed = { ...partsOf(bench, 'C'), levels: '16; 18,5  21', usual: 'Off', nightDrop: '2,5' };
    const sent = partsToSend(typed, bench, 'C');
    expect(sent['temperature']).toMatchObject({ levels_C: [16, 18.5, 21], usual_C: null, nightDrop_K: 2.5 });
    // A week set to what is no longer a set-point is let go.
    expect(sent['setPoints']).toEqual([]);
  });

  it('sends what is no figure as it was typed, so that the answer names the field', () => {
    const bench = records.find((p) => p.id === 3)!;
    const sent = partsToSend({ ...partsOf(bench, 'C'), usual: 'warm', loss: '' }, bench, 'C');
    const parsed = placeInput.safeParse(sendable(bench, sent));
    expect(parsed.success).toBe(false);
    const paths = parsed.error!.issues.map((issue) => issue.path.join('.'));
    expect(paths).toContain('temperature.usual_C');
    expect(paths).toContain('temperature.loss_W_per_K');
  });
});
