import { describe, expect, it } from 'vitest';
import type { Place } from '../books/place.ts';
import { requireDay } from '../calendar/dayNumber.ts';
import { setPointNow, type Override } from './setPoint.ts';

describe('the set-point now', () => {
  const place = {
    id: 1,
    temperature: { kind: 'set-point', usual_C: 22, nightDrop_K: 3 },
    setPoints: [
      { week: requireDay('2027-04-12'), setPoint_C: 25 },
      { week: requireDay('2027-04-19'), setPoint_C: null },
    ],
    periods: [],
  } as unknown as Place;
  const at = (more: Partial<Parameters<typeof setPointNow>[0]> = {}) =>
    setPointNow({
      place,
      today: requireDay('2027-04-14'),
      night: false,
      now_ms: 1000,
      overrides: [],
      most_C: 28,
      batches: [],
      ...more,
    });
  const hand = (more: Partial<Override> = {}): Override => ({
    set_C: 24,
    from_ms: 500,
    until_ms: 2000,
    by: 'PG',
    why: 'frost',
    ...more,
  });
  it('the week’s plan by day and night, off where the week is off, the usual without one', () => {
    expect(at()).toEqual({ set_C: 25, from: 'plan', why: 'this week’s plan, for nothing that stands there' });
    expect(at({ night: true }).set_C).toBe(22);
    expect(at({ today: requireDay('2027-04-18') }).set_C).toBe(25);
    expect(at({ today: requireDay('2027-04-19') })).toMatchObject({ set_C: null, from: 'off' });
    expect(at({ today: requireDay('2027-04-11') })).toMatchObject({
      set_C: 22,
      why: expect.stringMatching(/^usual set-point, for/) as string,
    });
    expect(at({ most_C: 23 }).set_C).toBe(23);
    expect(at({ night: true, batches: ['A', 'B', 'C', 'D', 'E'] }).why).toBe(
      'this week’s plan, by night, for A, B, C and 2 more',
    );
    expect(at({ batches: ['A', 'B', 'C'] }).why).toMatch(/for A, B, C$/);
  });
  it('a person’s own from its first instant to before its last, the latest of several, never over the limit', () => {
    expect(at({ overrides: [hand()] })).toEqual({ set_C: 24, from: 'override', why: 'frost' });
    expect(at({ overrides: [hand({ from_ms: 1000 })] }).from).toBe('override');
    expect(at({ overrides: [hand({ from_ms: 1001 })] }).from).toBe('plan');
    expect(at({ overrides: [hand({ until_ms: 1000 })] }).from).toBe('plan');
    expect(at({ overrides: [hand({ set_C: 20, from_ms: 600 }), hand()] }).set_C).toBe(20);
    expect(at({ overrides: [hand(), hand({ set_C: 21 })] }).set_C).toBe(21);
    expect(at({ overrides: [hand({ set_C: 35, why: '' })] })).toMatchObject({ set_C: 28, why: 'set by hand' });
    expect(at({ overrides: [hand({ set_C: null })] })).toMatchObject({ set_C: null, from: 'override' });
  });
  it('places without a thermostat have none, each with its reason; a written one goes by what is written', () => {
    const kind = (temperature: object | null, more: object = {}) =>
      at({ place: { ...place, temperature, ...more } as unknown as Place });
    expect(kind({ kind: 'mat' }).why).toMatch(/mat/);
    expect(kind({ kind: 'hot-bed' }).why).toMatch(/hot bed/);
    expect(kind({ kind: 'outside', plusDay_K: 1, plusNight_K: 1 }).why).toMatch(/follows outside/);
    expect(kind(null).why).toMatch(/no temperature is written/);
    const periods = [{ from: '01-01', day_C: 20, night_C: 16, minimum_C: 5 }];
    expect(kind({ kind: 'written' }, { periods })).toMatchObject({ set_C: 20, from: 'plan' });
    expect(
      at({ night: true, place: { ...place, temperature: { kind: 'written' }, periods } as unknown as Place }),
    ).toMatchObject({
      set_C: 16,
      why: expect.stringMatching(/by night/) as string,
    });
  });
});
