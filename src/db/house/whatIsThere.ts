import { NurseryModel } from './models.ts';

/** What stands in the database: nothing, the demo, or a real nursery. */
export async function whatIsThere(): Promise<'nothing' | 'demo' | 'nursery'> {
  const row = await NurseryModel.findByPk(1, { raw: true });
  if (!row) return 'nothing';
  return row.demoClock ? 'demo' : 'nursery';
}
