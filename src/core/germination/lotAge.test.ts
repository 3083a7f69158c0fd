import { describe, expect, it } from 'vitest';
import { ageOfLot, testedShare_frac } from './lotAge.ts';
import { seedAge } from './viability.ts';

const onion = { name: 'onion', storage_years: 1 };
const lot = { germination_percent: 90, testedOn: 20_000, storage_C: 10, moisture_percent: 8 };

describe('the age of a lot', () => {
  it('is that of its last test, by how it is kept', () => {
    const said = { cropName: 'onion', tested_frac: 0.9, storage_C: 10, moisture_percent: 8, keeps_years: 1 };
    expect(ageOfLot(lot, onion, 20_400)).toEqual(seedAge({ ...said, sinceTest_days: 400 }));
    expect(ageOfLot(lot, onion, 20_400).kind).toBe('reckoned');
  });
  it('nobody knows without a lot, a test or the day of it', () => {
    expect(ageOfLot(null, onion, 20_400).kind).toBe('unknown');
    expect(ageOfLot({ ...lot, germination_percent: null }, onion, 20_400).kind).toBe('unknown');
    expect(ageOfLot({ ...lot, testedOn: null }, onion, 20_400).kind).toBe('unknown');
  });
  it('a ball of seeds that gave 140 plants of 100 is one that comes up', () => {
    expect(testedShare_frac({ germination_percent: 140 })).toBe(1);
    expect(testedShare_frac({ germination_percent: 64 })).toBe(0.64);
    expect(testedShare_frac({ germination_percent: null })).toBeNull();
    expect(testedShare_frac(null)).toBeNull();
  });
});
