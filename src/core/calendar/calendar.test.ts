import { addDays, differenceInCalendarDays, formatISO, getISODay } from 'date-fns';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import {
  civilFromDay,
  dayFromIso,
  daysInMonth,
  FIRST_DAY,
  isoFromDay,
  LAST_DAY,
  requireDay,
  weekdayOf,
} from './dayNumber.ts';
import { localTimeAt } from './localDay.ts';
import { dayOfMonthDay, isMonthDay, nearestOccurrence } from './monthDay.ts';
import { seasonOf } from './season.ts';

describe('day numbers against date-fns', () => {
  it('agrees on every day from 1999 to 2041: date, weekday, and back', () => {
    const start = new Date(1999, 0, 1);
    const first = requireDay('1999-01-01');
    for (let i = 0; i < 15_700; i++) {
      const date = addDays(start, i);
      const iso = formatISO(date, { representation: 'date' });
      expect(dayFromIso(iso)).toBe(first + i);
      expect(isoFromDay(first + i)).toBe(iso);
      expect(weekdayOf(first + i)).toBe(getISODay(date));
    }
    expect(differenceInCalendarDays(new Date(2027, 4, 20), new Date(2027, 1, 27))).toBe(
      requireDay('2027-05-20') - requireDay('2027-02-27'),
    );
  });

  it('knows its ends and refuses what is not in the calendar', () => {
    expect(isoFromDay(FIRST_DAY)).toBe('1900-01-01');
    expect(isoFromDay(LAST_DAY)).toBe('2199-12-31');
    for (const bad of [
      '2027-02-29',
      '2100-02-29',
      '2027-13-01',
      '2027-00-10',
      '2027-04-31',
      '27-04-01',
      '2027-4-1',
      '',
      '1899-12-31',
    ]) {
      expect(dayFromIso(bad), bad).toBeNull();
    }
    expect(dayFromIso('2028-02-29')).not.toBeNull();
    expect(() => isoFromDay(NaN)).toThrow(RangeError);
    expect(() => requireDay('2027-02-30')).toThrow(/2027-02-30/);
    expect(daysInMonth(2028, 2)).toBe(29);
    expect(civilFromDay(0)).toEqual({ year: 1970, month: 1, day: 1 });
  });
});

describe('days that come every year', () => {
  it('puts 29 February on 1 March in a common year', () => {
    expect(isoFromDay(dayOfMonthDay('02-29', 2027))).toBe('2027-03-01');
    expect(isoFromDay(dayOfMonthDay('02-29', 2028))).toBe('2028-02-29');
    expect(isMonthDay('02-30')).toBe(false);
    expect(isMonthDay('13-01')).toBe(false);
    expect(() => dayOfMonthDay('5-1', 2027)).toThrow(/05-12/);
  });

  it('finds the frost of its own winter across the new year', () => {
    expect(isoFromDay(nearestOccurrence('10-20', requireDay('2027-01-05')))).toBe('2026-10-20');
    expect(isoFromDay(nearestOccurrence('05-10', requireDay('2027-05-20')))).toBe('2027-05-10');
  });
});

describe('seasons', () => {
  it('crosses the new year in the south', () => {
    const south = seasonOf(requireDay('2027-01-05'), -36);
    expect(south.label).toBe('2026/27');
    expect([isoFromDay(south.from), isoFromDay(south.to)]).toEqual(['2026-07-01', '2027-06-30']);
    expect(seasonOf(requireDay('2099-07-01'), -1).label).toBe('2099/00');
    expect(seasonOf(requireDay('2027-01-05'), 52).label).toBe('2027');
  });
});

describe('local time against luxon', () => {
  it('agrees through both daylight-saving nights and near midnight, in several zones', () => {
    for (const zone of ['Europe/London', 'Pacific/Auckland', 'America/St_Johns', 'Australia/Lord_Howe', 'UTC']) {
      for (let hour = 0; hour < 24 * 365; hour += 5) {
        const instant = Date.UTC(2027, 0, 1, hour, 17);
        const expected = DateTime.fromMillis(instant, { zone });
        const got = localTimeAt(instant, zone);
        expect(isoFromDay(got.day)).toBe(expected.toISODate());
        expect(got.minute).toBe(expected.hour * 60 + expected.minute);
      }
    }
    expect(() => localTimeAt(0, 'Nowhere/Land')).toThrow(RangeError);
  });
});
