import { inUse } from '../../core/books/inUse.ts';
import { readHeatSettings, readSensors, readZones } from '../../db/heat/heat.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';

/** What the builder of zones and the lists of them work from. */
export async function editorData(season: Season) {
  const db = database();
  const [zones, settings, sensors] = await Promise.all([readZones(db), readHeatSettings(db), readSensors(db)]);
  const kinds = new Set(['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame']);
  return { zones, settings, sensors, places: inUse(season.world.places).filter((p) => kinds.has(p.kind)) };
}
