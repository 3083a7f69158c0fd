import { describe, expect, it } from 'vitest';
import { OPEN_RUNG as bare } from '../../../tests/support/rung.ts';
import type { ForecastHour } from '../weather/forecast.ts';
import { orderOf } from './orders.ts';
import type { Rung } from './programme.ts';

describe('today’s order', () => {
  const hour = (at: number, temp_C: number, gust_m_s: number | null = 3): ForecastHour => ({
    day: 100,
    hour: at,
    temp_C,
    wind_m_s: null,
    gust_m_s,
    rain_mm: null,
    cloud_frac: null,
  });
  const day = (temp: (h: number) => number, gust: (h: number) => number | null = () => 3) =>
    Array.from({ length: 24 }, (_, h) => hour(h, temp(h), gust(h)));
  const home = { from_h: 8, to_h: 18 };
  const outing: Rung = { ...bare, hours_h: 2, floor_C: 10 };

  it('the mildest run that keeps to floor and gust, each borne to the mark', () => {
    const warm = day((h) => (h === 14 || h === 15 ? 12 : 10));
    expect(orderOf(outing, warm, home, 20)).toEqual({
      out_h: 14,
      in_h: 16,
      least_C: 12,
      gust_m_s: 3,
      cover_h: null,
      short: null,
    });
    expect(
      orderOf(
        outing,
        day(() => 9.9),
        home,
        20,
      ),
    ).toMatchObject({ out_h: null, short: 'cold', least_C: 9.9 });
    expect(
      orderOf(
        outing,
        day(
          () => 15,
          () => 12,
        ),
        home,
        20,
      ),
    ).toMatchObject({ out_h: 8, in_h: 10, gust_m_s: 12 });
    expect(
      orderOf(
        outing,
        day(
          () => 15,
          (h) => (h === 9 ? 3 : 12.1),
        ),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 9,
      in_h: 10,
      short: 'wind',
    });
    expect(
      orderOf(
        outing,
        day(
          () => 5,
          (h) => (h === 9 ? 12.1 : 3),
        ),
        home,
        20,
      ),
    ).toMatchObject({ short: 'wind' });
  });
  it('why it is short: nobody there, too cold before and after, too windy', () => {
    const long = { ...outing, hours_h: 11 };
    expect(
      orderOf(
        long,
        day(() => 15),
        home,
        20,
      ),
    ).toMatchObject({ out_h: 8, in_h: 18, short: 'home' });
    expect(
      orderOf(
        { ...long, hours_h: 10 },
        day(() => 15),
        home,
        20,
      ),
    ).toMatchObject({ short: null });
    expect(
      orderOf(
        { ...long, hours_h: 5 },
        day((h) => (h >= 12 && h < 15 ? 11 : 4)),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 12,
      in_h: 15,
      short: 'cold',
    });
  });
  it('shade keeps out of the strongest sun, full sun does not care', () => {
    const even = day(() => 15);
    expect(
      orderOf(
        { ...outing, hours_h: 4, sun_frac: 0.3 },
        day((h) => (h >= 11 ? 15 : 14)),
        home,
        20,
      ),
    ).toMatchObject({
      out_h: 14,
      in_h: 18,
    });
    expect(orderOf({ ...outing, hours_h: 3, sun_frac: 0.3 }, even, { from_h: 10, to_h: 18 }, 20)).toMatchObject({
      out_h: 15,
    });
    expect(orderOf({ ...outing, hours_h: 2, sun_frac: 0.3 }, even, { from_h: 9, to_h: 16 }, 20)).toMatchObject({
      out_h: 9,
    });
    expect(orderOf({ ...outing, hours_h: 1, sun_frac: 0.3 }, even, { from_h: 14, to_h: 16 }, 20)).toMatchObject({
      out_h: 15,
    });
    expect(orderOf({ ...outing, hours_h: 2, sun_frac: 0.7 }, even, { from_h: 11, to_h: 18 }, 20)).toMatchObject({
      out_h: 11,
    });
  });
  it('day and night: out at the first hour, covers an hour before sunset while somebody is there', () => {
    const whole = day(
      (h) => 20 - h / 2,
      (h) => (h === 3 ? 9 : null),
    );
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 17.6)).toEqual({
      out_h: 8,
      in_h: null,
      least_C: 8.5,
      gust_m_s: 9,
      cover_h: 16,
      short: null,
    });
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 21).cover_h).toBe(18);
    expect(orderOf({ ...bare, cover: 'fleece' }, whole, home, 8.5).cover_h).toBe(8);
    expect(orderOf(bare, [], home, 20)).toMatchObject({ least_C: null, gust_m_s: null, cover_h: null });
    expect(orderOf(bare, [hour(9, 12, null)], home, 20)).toMatchObject({ least_C: 12, gust_m_s: null });
  });
});
