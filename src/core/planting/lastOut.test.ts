import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { darkFrom, lastOut } from './lastOut.ts';
import { riskOffsets } from './outDates.ts';

/** Twelve years with a first night of -1 on one of these days of October, and -6 on 20 December. */
const lows = Array.from({ length: 12 }, (_, y) => {
  const start = requireDay(`${2010 + y}-01-01`);
  return Array.from({ length: 365 }, (_day, i) => {
    const of = requireDay(`${2010 + y}-10-${String(8 + y).padStart(2, '0')}`) - start;
    const deep = requireDay(`${2010 + y}-12-20`) - start;
    return { day: start + i, least_C: i === of ? -1 : i === deep ? -6 : 5 };
  });
}).flat();
const october = (day: number) => requireDay(`2001-10-${String(day).padStart(2, '0')}`) - requireDay('2001-01-01');

describe('the last day to set out for autumn', () => {
  it('lies four weeks before the first night that harms it, at the risk taken', () => {
    const at = riskOffsets(lows, 0.1, false, 'autumn');
    const tender = lastOut({ hardiness: 'tender' }, at, 40);
    expect(tender.by).toBe('frost');
    // One autumn in ten is before the first of twelve: between 8 and 9 October, less 28 days.
    expect(tender.offset).toBeGreaterThanOrEqual(october(8) - 28 - 1);
    expect(tender.offset).toBeLessThanOrEqual(october(9) - 28);
  });

  it('a hardy crop at 52 degrees north is ended by the light: ten hours about 27 October', () => {
    // Almanac: at 52 N the day falls under ten hours in the last days of October (from memory).
    expect(Math.abs(darkFrom(52)! - october(27))).toBeLessThanOrEqual(5);
    const hardy = lastOut({ hardiness: 'hardy' }, riskOffsets(lows, 0.1, false, 'autumn'), 52);
    expect(hardy.by).toBe('light');
    expect(hardy.offset).toBe(darkFrom(52)! - 28);
  });

  it('a cover buys days; near the equator nothing ends it; the south counts from July', () => {
    const at = riskOffsets(lows, 0.1, false, 'autumn');
    expect(lastOut({ hardiness: 'tender' }, at, 40, 3).offset!).toBeGreaterThan(
      lastOut({ hardiness: 'tender' }, at, 40).offset!,
    );
    expect(lastOut({ hardiness: 'hardy' }, null, 5).offset).toBeNull();
    // 42 degrees south: under ten hours from about 7 May (almanac, from memory).
    const day = requireDay('2001-07-01') + darkFrom(-42)!;
    expect(Math.abs(day - requireDay('2002-05-07'))).toBeLessThanOrEqual(5);
  });
});
