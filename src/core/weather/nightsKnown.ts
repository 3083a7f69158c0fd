import type { NurseryRecord } from '../house/nursery.ts';
import type { NightsKnown } from './normalFrost.ts';
import { ROUGH_SPREAD_K } from './roughClimate.ts';

/** What a nursery's settings say of how its nights lie about its normals. */
export function nightsKnown({ coldest_C, outsideBy }: Pick<NurseryRecord, 'coldest_C' | 'outsideBy'>): NightsKnown {
  return { coldest_C: coldest_C ?? null, site_sd_K: outsideBy === 'guess' ? ROUGH_SPREAD_K : 0 };
}
