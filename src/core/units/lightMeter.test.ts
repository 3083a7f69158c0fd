import { describe, expect, it } from 'vitest';
import { photons_umol } from './lightMeter.ts';
import { windFromText } from './wind.ts';

describe('a light meter', () => {
  it('full sun: 2000 micromol are about 108 klux and 970 W/m2 of all its light (handbook figures, from memory)', () => {
    expect(photons_umol(108_000, 'lux', 'sun')).toBeCloseTo(2000, 0);
    expect(photons_umol(972, 'W', 'sun')).toBeCloseTo(2000, -1);
    expect(photons_umol(150, 'umol', 'sodium')).toBe(150);
  });
  it('the same lux of lamps are fewer photons the yellower they are', () => {
    const of = (source: 'white-led' | 'tube' | 'sodium') => photons_umol(10_000, 'lux', source);
    expect(of('white-led')).toBeGreaterThan(of('tube'));
    expect(of('tube')).toBeGreaterThan(of('sodium'));
    expect(of('tube')).toBeCloseTo(135, 0);
    expect(() => photons_umol(-1, 'lux', 'sun')).toThrow('light reading');
  });
});

describe('wind as it is told', () => {
  it('goes by the unit typed behind it, else by the house', () => {
    expect(windFromText('36', 'C')).toBeCloseTo(10, 9);
    expect(windFromText('36 km/h', 'F')).toBeCloseTo(10, 9);
    expect(windFromText('20 knots', 'C')).toBeCloseTo(10.289, 3);
    expect(windFromText('20 kn', 'C')).toBeCloseTo(10.289, 3);
    expect(windFromText('30 mph', 'C')).toBeCloseTo(13.41, 2);
    expect(windFromText('10 m/s', 'F')).toBe(10);
    // Beaufort 8 is 17.2 to 20.7 m/s (WMO).
    expect(windFromText('8 Bft', 'C')).toBeGreaterThan(17.2);
    expect(windFromText('Beaufort 8', 'C')).toBeLessThan(20.7);
    expect(windFromText('4,5 m/s', 'C')).toBe(4.5);
    expect(windFromText('a breeze', 'C')).toBe('a breeze');
    expect(windFromText('8 furlongs', 'C')).toBe('8 furlongs');
  });
});
