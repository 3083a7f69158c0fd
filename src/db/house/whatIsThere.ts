import { NurseryModel } from './models.ts';

/** Tables in which somebody has written something of their own, where a nursery is begun or about to be. */
const OWN = ['places', 'batches', 'people', 'weather_days', 'site_readings', 'old_trays', 'lots', 'heat_zones'];

/** What stands in the database: nothing, the demo, a nursery in which nothing was written yet, or a real one. */
export async function whatIsThere(): Promise<'nothing' | 'demo' | 'not begun' | 'nursery'> {
  const row = await NurseryModel.findByPk(1, { raw: true });
  if (!row) return 'nothing';
  if (row.demoClock) return 'demo';
  if ((row.byTheSea ?? null) !== null) return 'nursery';
  const [found] = await NurseryModel.sequelize!.query(
    `SELECT ${OWN.map((table) => `EXISTS (SELECT FROM ${table})`).join(' OR ')} AS own`,
  );
  return (found[0] as { own: boolean }).own ? 'nursery' : 'not begun';
}
