import { describe, expect, it } from 'vitest';
import { measureFromShown, measureUnit, shownMeasure, typedMeasure } from './measure.ts';

describe('measures as a house reads them', () => {
  // NIST Special Publication 811 (2008), appendix B.8: the factors of its list, six figures and more.
  it.each([
    ['mm', 25.4, 1],
    ['m', 0.3048, 1],
    ['m2', 0.09290304, 1],
    ['L', 3.785412, 1],
    ['kg', 0.4535924, 1],
    ['m3_h', 1.699011, 1],
    ['m2K_W', 1.761102, 10],
    ['W_m2', 10.76391, 1],
    ['kg_L', 0.1198264, 1],
    ['perL', 1 / 3.785412, 1],
  ] as const)('%s', (measure, metric, inch) => {
    expect(shownMeasure(metric, measure, 'in') / inch).toBeCloseTo(1, 5);
    expect(measureFromShown(inch, measure, 'in') / metric).toBeCloseTo(1, 5);
    expect(shownMeasure(metric, measure, 'cm')).toBe(metric);
    expect(measureUnit(measure, 'in')).not.toBe(measureUnit(measure, 'cm'));
  });
  it('stands in a field to four figures', () => {
    expect(typedMeasure(50, 'mm', 'in')).toBe('1.969');
    expect(typedMeasure(50, 'mm', 'cm')).toBe('50');
    expect(typedMeasure(0, 'L', 'in')).toBe('0');
  });
});
