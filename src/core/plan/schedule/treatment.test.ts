import { describe, expect, it } from 'vitest';
import { cropNamed } from '../../../../tests/references/library.ts';
import { chilledBy, treatment_days } from './treatment.ts';

const lavender = cropNamed('lavender');

describe('treatment of seed before sowing', () => {
  it('lavender is laid cold four weeks, parsley soaked the day before, tomato nothing', () => {
    expect(treatment_days(lavender)).toBe(28);
    expect(treatment_days(cropNamed('parsley'))).toBe(1);
    expect(treatment_days(cropNamed('tomato'))).toBe(0);
  });

  it('sowing waits for its cold: by the day logged, else from today', () => {
    expect(chilledBy(lavender, 1040, 1000, 1005)).toBe(1040);
    expect(chilledBy(lavender, 1010, 1000, 1005)).toBe(1028);
    expect(chilledBy(lavender, 1010, null, 1005)).toBe(1033);
    expect(chilledBy(cropNamed('parsley'), 1005, null, 1005)).toBe(1005);
  });
});
