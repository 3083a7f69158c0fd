import { describe, expect, it } from 'vitest';
import { requireDay } from '../core/calendar/dayNumber.ts';
import {
  againstBook,
  aboutDegrees,
  explanationInput,
  counted,
  dayNight,
  degrees,
  fillText,
  lateness,
  longDay,
  shortDay,
  spokenDay,
} from './format.ts';

const day = requireDay('2027-04-12');

describe('against the book', () => {
  it('slower, quicker, and as it says within three in a hundred', () => {
    expect([1.09, 0.8, 1.024, 0.976, 1.03].map(againstBook)).toEqual([
      '9% slower than the book says',
      '20% quicker than the book says',
      'as the book says',
      'as the book says',
      '3% slower than the book says',
    ]);
  });
});

describe('figures as they are read', () => {
  it('writes temperatures in the reader’s scale', () => {
    expect([degrees(26.6, 'C'), degrees(-1.25, 'C'), degrees(26, 'F'), degrees(-20, 'F')]).toEqual([
      '26.6°C',
      '−1.3°C',
      '79°F',
      '−4°F',
    ]);
    // 2.4 °C is 36.3 °F: half a degree first would make 37 of it.
    expect([aboutDegrees(2.4, 'C'), aboutDegrees(2.4, 'F'), aboutDegrees(-0.6, 'C')]).toEqual([
      '2.5°C',
      '36°F',
      '−0.5°C',
    ]);
    expect([dayNight(20, 20, 'C'), dayNight(20, 15, 'C'), dayNight(12, 5, 'F')]).toEqual([
      '20°C',
      '15–20°C',
      '41–54°F',
    ]);
  });
  it('writes days as they are spoken', () => {
    expect([spokenDay(day, day), spokenDay(day + 1, day), spokenDay(day - 1, day), spokenDay(day + 3, day)]).toEqual([
      'today',
      'tomorrow',
      'yesterday',
      'Thu 15 Apr',
    ]);
    expect(spokenDay(requireDay('2028-02-29'), day)).toBe('Tue 29 Feb 2028');
    expect([longDay(day), shortDay(day), shortDay(day, 2028)]).toEqual(['Mon 12 April', '12 Apr', '12 Apr 2027']);
  });
  it('counts and lateness', () => {
    expect([counted(1, 'tray'), counted(1200, 'tray'), counted(2, 'batch', 'batches')]).toEqual([
      '1 tray',
      '1,200 trays',
      '2 batches',
    ]);
    expect([lateness(0), lateness(1), lateness(-3)]).toEqual(['on time', '1 day late', '3 days early']);
  });
  it('fills a text, and an input of an explanation', () => {
    expect(fillText('{0} on {day}', day, [10], 'F', day)).toBe('50°F on today');
    expect(explanationInput({ name: 'base', temperature_C: 7 }, 'C')).toBe('base 7°C');
    expect(explanationInput({ name: 'sum', degreeDays: 100 }, 'F')).toBe('sum 180 degree-days');
  });
});
