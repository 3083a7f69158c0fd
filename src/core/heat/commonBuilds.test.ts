import { describe, expect, it } from 'vitest';
import { zoneInput } from '../../contracts/heat/heat.ts';
import { BUILD_KEYS, COMMON_BUILDS } from './commonBuilds.ts';
import { sizingOf } from './sizing.ts';
import { area_m2, requireZone } from './zone.ts';

describe('common builds', () => {
  it('can each be built and kept as they stand', () => {
    for (const key of BUILD_KEYS) {
      expect(() => requireZone(COMMON_BUILDS[key])).not.toThrow();
      const kept = zoneInput.safeParse({ placeId: 1, device: `zone-${key}`, spec: COMMON_BUILDS[key] });
      expect([key, kept.error?.issues]).toEqual([key, undefined]);
    }
  });

  it('have the watts of the trade on a square metre, and hold 18 degrees on a night of freezing', () => {
    for (const key of BUILD_KEYS) {
      const spec = COMMON_BUILDS[key];
      const power_W_m2 = spec.heater.power_W / area_m2(spec);
      // Common practice, no source: 60 to 180 W/m2.
      expect([key, power_W_m2 >= 60 && power_W_m2 <= 180]).toEqual([key, true]);
      const { holds, need_W } = sizingOf(spec, {
        set_C: 18,
        outside_C: 0,
        mode: { cover: spec.cover.night, open: false },
      });
      expect([key, holds, need_W > 0]).toEqual([key, true, true]);
    }
  });
});
