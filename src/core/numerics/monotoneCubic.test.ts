import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { monotoneCubic } from './monotoneCubic.ts';

describe('monotoneCubic', () => {
  it('passes its points and keeps rising data rising, for any rising table', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0.1, max: 9, noNaN: true }), fc.double({ min: 0, max: 9, noNaN: true })), {
          minLength: 2,
          maxLength: 9,
        }),
        (steps) => {
          let x = 0;
          let y = 0;
          const points = steps.map(([dx, dy]) => ({
            x: (x += dx),
            y: (y += dy),
          }));
          const f = monotoneCubic(points);
          for (const p of points) expect(f(p.x)).toBeCloseTo(p.y, 9);
          let before = -Infinity;
          for (let i = 0; i <= 200; i++) {
            const value = f(points[0]!.x + ((x - points[0]!.x) * i) / 200);
            expect(value).toBeGreaterThanOrEqual(before - 1e-9);
            before = value;
          }
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });

  it('does not overshoot the plateau of the RPN 14 data', () => {
    // Fritsch & Carlson 1980, table 1 (RPN 14 radiochemical data), from memory.
    const xs = [7.99, 8.09, 8.19, 8.7, 9.2, 10, 12, 15, 20];
    const ys = [0, 2.76429e-5, 4.37498e-2, 0.169183, 0.469428, 0.94374, 0.998636, 0.999919, 0.999994];
    const f = monotoneCubic(xs.map((x, i) => ({ x, y: ys[i]! })));
    for (let x = 7.99; x <= 20; x += 0.01) {
      expect(f(x)).toBeGreaterThanOrEqual(0);
      expect(f(x)).toBeLessThanOrEqual(0.999994 + 1e-12);
    }
  });

  it('refuses a table that does not increase', () => {
    expect(() =>
      monotoneCubic([
        { x: 1, y: 0 },
        { x: 1, y: 2 },
      ]),
    ).toThrow(/must increase/);
    expect(() => monotoneCubic([{ x: 1, y: 0 }])).toThrow(RangeError);
  });
});
