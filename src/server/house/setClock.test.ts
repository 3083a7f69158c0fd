import { describe, expect, it } from 'vitest';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { demoInstant_ms } from '../../core/house/demoClock.ts';
import { nowAt } from '../clock.ts';
import { changedClock } from './setClock.ts';

const clock = { at_ms: 1_000_000, anchor_ms: 500, running: true, rate: 60 };

describe('the demo clock', () => {
  it('runs at its rate from where it was set, and stands when paused', () => {
    expect(demoInstant_ms(clock, 1500)).toBe(1_060_000);
    expect(demoInstant_ms({ ...clock, running: false }, 99_999)).toBe(1_000_000);
  });
  it('keeps its instant when paused, run again or given another speed', () => {
    const nursery = { timeZone: 'Europe/London', demoClock: clock };
    const paused = changedClock(nursery, { running: false }, 1500);
    expect(paused).toMatchObject({ at_ms: 1_060_000, running: false });
    expect(changedClock({ ...nursery, demoClock: paused }, { running: true, rate: 3600 }, 9000)).toEqual({
      at_ms: 1_060_000,
      anchor_ms: 9000,
      running: true,
      rate: 3600,
    });
  });
  it('a real nursery follows the machine and cannot be set', () => {
    const nursery = { timeZone: 'Pacific/Auckland', demoClock: null };
    expect(nowAt(nursery, Date.UTC(2027, 3, 11, 12, 30)).today).toBe(requireDay('2027-04-12'));
    expect(() => changedClock(nursery, { running: true }, 0)).toThrow(/machine/);
  });
});
