import { wrap, type Remote } from 'comlink';
import type { BatchOdds, OddsTask } from '../core/planting/odds.ts';
import type { SpringsSent } from '../contracts/planting/springs.ts';
import type { OddsApi } from './odds.worker.ts';

/** Odds in a thread of the page's own. */
export interface OddsClient {
  readonly tasks: ReadonlyMap<number, OddsTask>;
  odds(tasks: readonly OddsTask[]): Promise<BatchOdds[]>;
  close(): void;
}

/** Starts the thread and draws the springs from what the server sent. */
export async function startOdds(sent: SpringsSent): Promise<OddsClient> {
  const worker = new Worker(new URL('./odds.worker.ts', import.meta.url), { type: 'module' });
  const remote: Remote<OddsApi> = wrap<OddsApi>(worker);
  await remote.draw(sent);
  return {
    tasks: new Map(sent.tasks.map((task) => [task.batchId, task])),
    odds: (tasks) => remote.odds(tasks),
    close: () => worker.terminate(),
  };
}
