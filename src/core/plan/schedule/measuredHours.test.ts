import { describe, expect, it } from 'vitest';
import { cropNamed, steadyPlace } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { soundHours } from './measuredHours.ts';
import { seasonTables } from './seasonTables.ts';

const day = (fill: (hour: number) => number | null) => Array.from({ length: 24 }, (_, h) => fill(h));

describe('hours a sensor gave', () => {
  it('bridges short gaps and leaves long ones, and those at the ends of the day, open', () => {
    const { hours } = soundHours(
      day((h) => (h === 5 || h === 6 || (h > 9 && h < 16) || h === 23 ? null : h)),
      null,
    );
    expect(hours.slice(4, 8)).toEqual([4, 5, 6, 7]);
    expect(hours.slice(10, 16)).toEqual(Array(6).fill(null));
    expect(hours[23]).toBeNull();
  });
  it('leaves out what is colder than the place can be, and counts it', () => {
    const night = day((h) => (h < 3 ? -9 : 18));
    expect(soundHours(night, 2)).toMatchObject({ doubted: 3 });
    expect(soundHours(night, 2).hours[0]).toBeNull();
    // As cold as outside, or with nothing known of outside, it stands.
    expect(soundHours(night, -6).doubted).toBe(0);
    expect(soundHours(night, null).doubted).toBe(0);
  });
  it('a probe that hangs in a freezer does not hold a tray back', () => {
    const from = requireDay('2027-03-01');
    const normals = Array.from({ length: 12 }, () => ({ day_C: 12, night_C: 4 }));
    const place = { ...steadyPlace(24), id: 7 };
    const crop = cropNamed('tomato');
    const gained = (read: (number | null)[]) => {
      const measured = new Map([[7, new Map([[from + 2, read]])]]);
      const known = new Map([[from + 2, { day_C: 11, night_C: 3 }]]);
      return seasonTables([place], from, 20, { normals, measured, known }).germinationOf(crop, 7);
    };
    const plain = seasonTables([place], from, 20, { normals }).germinationOf(crop, 7);
    expect(gained(day(() => -18))).toEqual(plain);
    expect(gained(day(() => 15))).not.toEqual(plain);
  });
});
