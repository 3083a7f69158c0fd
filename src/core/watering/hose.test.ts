import { describe, expect, it } from 'vitest';
import { hoseFrost } from './hose.ts';

const HOUR_ms = 3_600_000;
/** Two days from a midnight on, freezing from 2 to 6 in the second night. */
const AIR = Array.from({ length: 48 }, (_, h) => ({ at_ms: h * HOUR_ms, temp_C: h >= 26 && h <= 30 ? -3 : 4 }));
const at = (h: number, next_h: number) => hoseFrost(AIR, h * HOUR_ms, h % 24, next_h * HOUR_ms);

describe('frost and the hose', () => {
  it('is told in the afternoon before, and stands the morning after', () => {
    expect(at(8, 17)).toEqual({ frozen: false, tonight: false });
    expect(at(17, 32)).toEqual({ frozen: false, tonight: true });
    expect(at(32, 41)).toEqual({ frozen: true, tonight: false });
    expect(at(36, 41)).toEqual({ frozen: false, tonight: false });
  });

  it('is not told where the next look comes before it, nor of a light frost', () => {
    expect(at(17, 22).tonight).toBe(false);
    const light = AIR.map(({ at_ms, temp_C }) => ({ at_ms, temp_C: temp_C < 0 ? -0.5 : temp_C }));
    expect(hoseFrost(light, 17 * HOUR_ms, 17, 32 * HOUR_ms).tonight).toBe(false);
    expect(hoseFrost([], 17 * HOUR_ms, 17, 32 * HOUR_ms)).toEqual({ frozen: false, tonight: false });
  });
});
