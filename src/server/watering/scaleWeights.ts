import type { Season } from '../../core/plan/season.ts';
import { scaleReads, type ScaleRecord } from '../../core/watering/scale.ts';
import { shareByWeight, WEIGHTS } from '../../core/watering/trayWater.ts';
import type { WaterLine } from '../../core/watering/waterLine.ts';
import { database } from '../database.ts';
import { readScaleWeights, takeWeight } from '../../db/watering/scales.ts';
import type { Db } from '../../db/sql.ts';
import { waterNow } from './waterNow.ts';

/** The last weight of each scale. */
export const scaleWeights = () => readScaleWeights(database());

/** Litres of a tray where what stands on a scale is not known: it is only shown then. */
const SOME_L = 1;
/** So far a scale's clock may be ahead. */
const AHEAD_ms = 10 * 60_000;

const EMPTY: Omit<WaterLine, 'id' | 'kind' | 'batchId' | 'at_ms' | 'scaleId' | 'weight_g'> = {
  placeId: null,
  look: null,
  way: null,
  litres: null,
  fed: false,
  water_C: null,
  air_C: null,
  humidity_frac: null,
  onLid: false,
  note: '',
  correctsId: null,
  authorId: null,
};

/** Takes a weight of a scale: water that was given and weights of a tray go into the log of its batch. */
export async function takeScaleWeight(
  db: Db,
  season: Season,
  scale: ScaleRecord,
  reading: { readonly at_ms: number; readonly gross_g: number },
): Promise<void> {
  const tray = scale.batchId === null ? undefined : waterNow(season).trays.get(scale.batchId)?.tray;
  await takeWeight(db, scale.id, reading, (before) => {
    // The clock was put back: what was kept from ahead of it holds nothing up.
    const kept = before && before.at_ms > season.now.instant_ms + AHEAD_ms ? null : before;
    const says = scaleReads(kept, reading, scale, tray?.holding.water_L ?? SOME_L);
    if (!tray) return { state: says.state, lines: [] };
    const key = `scale-${scale.id}-${reading.at_ms}`;
    const line = (kind: 'watered' | 'weighed', weight_g: number | null) => ({
      ...{ ...EMPTY, kind, weight_g, batchId: tray.batchId, at_ms: reading.at_ms, scaleId: scale.id },
      ...{ idempotencyKey: `${key}-${kind}`, requestHash: key, waited: false },
    });
    const { weight_g, watered } = says;
    return {
      state: says.state,
      lines: [
        ...(watered ? [line('watered', null)] : []),
        ...(weight_g !== null && (watered || fits(weight_g, tray)) ? [line('weighed', weight_g)] : []),
      ],
    };
  });
}

/** Whether a weight can be one of this batch's trays; where none was weighed full, any. */
function fits(
  weight_g: number,
  { full_g, holding }: { readonly full_g: number | null; readonly holding: { readonly water_L: number } },
): boolean {
  if (full_g === null) return true;
  const share = shareByWeight(weight_g, full_g, holding.water_L);
  return share >= WEIGHTS.least && share <= WEIGHTS.most;
}
