import { describe, expect, it } from 'vitest';
import { ALARMS, WORST_FIRST, type AlarmKind } from '../../core/heat/alarms.ts';
import { clockTime, evidenceWords, hoursWords, kelvin, percent, tenth } from './words.ts';

describe('words of heat', () => {
  it('writes temperatures to a tenth in either scale, and a dot where there is none', () => {
    expect([tenth(21.84, 'C'), tenth(-1.25, 'C'), tenth(20, 'F'), tenth(null, 'C'), tenth(NaN, 'C')]).toEqual([
      '21.8°C',
      '−1.3°C',
      '68.0°F',
      '·',
      '·',
    ]);
  });
  it('writes differences with their sign, and as large in Fahrenheit', () => {
    expect([kelvin(0.31, 'C'), kelvin(-0.5, 'C'), kelvin(1, 'F'), kelvin(0, 'C')]).toEqual([
      '+0.31 °C',
      '−0.50 °C',
      '+1.80 °F',
      '0.00 °C',
    ]);
  });
  it('gives the time there is as a person would say it, never more than there is', () => {
    expect([null, 0, 0.02, 0.5, 1, 3.84, 11.99, 22.7].map(hoursWords)).toEqual([
      'over 3 days',
      'now',
      '5 min',
      '30 min',
      '1 h',
      '3 h 50',
      '11 h 50',
      '22 h',
    ]);
  });
  it('tells the figures behind an alarm in the nursery’s scale', () => {
    expect(evidenceWords({ name: 'reads', value: 10, unit: 'C' }, 'F')).toBe('reads 50.0°F');
    expect(evidenceWords({ name: 'silent for', value: 5.2, unit: 'min' }, 'C')).toBe('silent for 5 min');
    expect(evidenceWords({ name: 'asked', value: 80.4, unit: '%' }, 'C')).toBe('asked 80%');
    expect(percent(0.333)).toBe('33%');
  });
  it('shows wall time at the nursery over a change of clocks', () => {
    expect(clockTime(Date.parse('2027-03-28T00:59:00Z'), 'Europe/London')).toBe('00:59');
    expect(clockTime(Date.parse('2027-03-28T01:00:00Z'), 'Europe/London')).toBe('02:00');
    expect(clockTime(Date.parse('2027-10-31T01:30:00Z'), 'Europe/London', true)).toBe('31 Oct, 01:30');
  });
  it('has words for every alarm and a place for it among the worst', () => {
    expect([...WORST_FIRST].sort()).toEqual((Object.keys(ALARMS) as AlarmKind[]).sort());
  });
});
