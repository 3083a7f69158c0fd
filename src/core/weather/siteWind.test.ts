import { describe, expect, it } from 'vitest';
import { siteWind, windFrom } from './siteWind.ts';

describe('the wind of a site', () => {
  it('goes by how it lies while nothing is measured, and says how unsure that is', () => {
    const [sheltered, open, exposed, unsaid] = (['sheltered', 'open', 'exposed', null] as const).map((e) =>
      siteWind([], e),
    );
    expect(sheltered!.median_m_s).toBeLessThan(open!.median_m_s);
    expect(open!.median_m_s).toBeLessThan(exposed!.median_m_s);
    expect(unsaid!.median_logSd).toBeGreaterThan(open!.median_logSd);
    expect(unsaid!.days).toBe(0);
  });

  it('a few windy days move it a little, a year of them all the way', () => {
    const few = siteWind([14, 15, 13], 'sheltered');
    const year = siteWind(new Array<number>(365).fill(14), 'sheltered');
    expect(few.median_m_s).toBeGreaterThan(5);
    expect(few.median_m_s).toBeLessThan(8);
    expect(year.median_m_s).toBeGreaterThan(13);
    expect(year.median_logSd).toBeLessThan(0.06);
  });

  it('takes wind in the units it is told in', () => {
    // NIST SP 811: mile an hour 0.44704, knot 0.514444 m/s. WMO: Beaufort 6 is 10.8 to 13.8 m/s, 9 is 20.8 to 24.4.
    expect(windFrom(10, 'mph')).toBeCloseTo(4.4704, 9);
    expect(windFrom(10, 'knots')).toBeCloseTo(5.14444, 4);
    expect(windFrom(6, 'Beaufort')).toBeGreaterThan(10.8);
    expect(windFrom(6, 'Beaufort')).toBeLessThan(13.8);
    expect(windFrom(9, 'Beaufort')).toBeGreaterThan(20.8);
    expect(windFrom(9, 'Beaufort')).toBeLessThan(24.4);
  });

  it('refuses gusts no wind has', () => {
    expect(() => siteWind([900], null)).toThrow('gust');
    expect(() => siteWind([NaN], null)).toThrow(RangeError);
  });
});
