import { describe, expect, it } from 'vitest';
import { ALARMS, inQuietHours, soundsNow, WORST_FIRST } from './alarms.ts';

describe('alarms', () => {
  const quiet = { from_h: 22, to_h: 6, repeat_min: 10 };
  it('quiet hours to the hour, over midnight or within a day, or none', () => {
    expect([21.9, 22, 23, 0, 5.9, 6].map((h) => inQuietHours(quiet, h))).toEqual([
      false,
      true,
      true,
      true,
      true,
      false,
    ]);
    expect([11.9, 12, 13.9, 14].map((h) => inQuietHours({ ...quiet, from_h: 12, to_h: 14 }, h))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(inQuietHours({ ...quiet, from_h: 12, to_h: 12 }, 12)).toBe(false);
    expect(inQuietHours({ ...quiet, from_h: null }, 23)).toBe(false);
  });
  it('sound at first, again when their time is over, never when taken; the battery waits for morning', () => {
    const at = { kind: 'too-cold', taken: false, lastSounded_ms: 0, now_ms: 600_000, hour: 23, quiet } as const;
    expect(soundsNow(at)).toBe(true);
    expect(soundsNow({ ...at, now_ms: 599_999 })).toBe(false);
    expect(soundsNow({ ...at, lastSounded_ms: null, now_ms: 1 })).toBe(true);
    expect(soundsNow({ ...at, taken: true })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low' })).toBe(false);
    expect(soundsNow({ ...at, kind: 'battery-low', hour: 12 })).toBe(true);
    // The clock was put back.
    expect(soundsNow({ ...at, lastSounded_ms: 700_000 })).toBe(true);
    expect(soundsNow({ ...at, lastSounded_ms: 600_000 })).toBe(false);
  });
  it('every alarm has its place, and only the battery keeps quiet', () => {
    expect([...WORST_FIRST].sort()).toEqual(Object.keys(ALARMS).sort());
    expect(WORST_FIRST.filter((kind) => !ALARMS[kind].loud)).toEqual(['battery-low']);
    expect(WORST_FIRST[0]).toBe('relay-stuck');
  });
});
