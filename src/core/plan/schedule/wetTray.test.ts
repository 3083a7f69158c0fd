import { describe, expect, it } from 'vitest';
import { DEMO_OUTSIDE, DEMO_PLACES } from '../../../../simulators/demoBooks.ts';
import { cropNamed } from '../../../../tests/references/library.ts';
import { requireDay } from '../../calendar/dayNumber.ts';
import { seasonTables } from './seasonTables.ts';
import { timeAfter } from './thermalIntegral.ts';
import { wetTray_K } from './wetTray.ts';

const frame = { ...DEMO_PLACES.find((p) => p.temperature?.kind === 'outside')! };
const from = requireDay('2027-01-01');
const daysToHalf = (wet_K: number | null) => {
  const tables = seasonTables([{ ...frame, wet_K }], from, 400, { normals: DEMO_OUTSIDE, sky: { latitude_deg: 52 } });
  const sown = requireDay('2027-04-10') + 0.5;
  return timeAfter(tables.germinationOf(cropNamed('lettuce'), frame.id), sown, 1)! - sown;
};

describe('the medium of a wet tray', () => {
  it('is cooler than the air where nothing heats it, as usual or as written down; not where it is held or was measured', () => {
    expect(wetTray_K(frame)).toBe(2);
    expect(wetTray_K({ ...frame, wet_K: 0 })).toBe(0);
    expect(wetTray_K({ temperature: { kind: 'written' } })).toBe(0);
    const bench = DEMO_PLACES.find((p) => p.temperature?.kind === 'set-point')!;
    expect(wetTray_K(bench)).toBe(0);
  });

  it('so that seed takes longer in the open than in a bag, and the usual is two degrees', () => {
    expect(daysToHalf(4)).toBeGreaterThan(daysToHalf(2));
    expect(daysToHalf(2)).toBeGreaterThan(daysToHalf(0));
    expect(daysToHalf(null)).toBe(daysToHalf(2));
  });
});
