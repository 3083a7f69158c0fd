import { BatchModel } from '../batch/models.ts';
import { PlaceModel } from '../books/models.ts';
import { NurseryModel } from './models.ts';

/** What stands in the database: nothing, the demo, a nursery whose first questions nobody answered yet, or a real one. */
export async function whatIsThere(): Promise<'nothing' | 'demo' | 'not begun' | 'nursery'> {
  const row = await NurseryModel.findByPk(1, { raw: true });
  if (!row) return 'nothing';
  if (row.demoClock) return 'demo';
  const begun = (row.byTheSea ?? null) !== null || (await PlaceModel.count()) > 0 || (await BatchModel.count()) > 0;
  return begun ? 'nursery' : 'not begun';
}
