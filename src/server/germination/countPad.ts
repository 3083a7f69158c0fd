import type { CountPadView } from '../../contracts/germination/countPad.ts';
import { countsOf } from '../../core/batch/looks.ts';
import { gridOf } from '../../core/books/container.ts';
import { settledFor } from './photoCounts.ts';
import { traysFor } from '../../core/batch/trays.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { emergenceOf } from './emergence.ts';

/** The count pad of a batch; null while it is not sown here. */
export async function countPadView(season: Season, view: BatchView): Promise<CountPadView | null> {
  const { batch, state, name, events } = view;
  const emergence = emergenceOf(season, view);
  const sown = countsOf(events);
  if (!sown || !emergence) return null;
  const container = season.world.containers.find(({ id }) => id === batch.plan.sowContainerId)!;
  return {
    batchId: batch.id,
    name,
    code: batch.code,
    sown: sown.sown,
    sownOn: sown.sownOn,
    cells: container.cells,
    grid: container.kind === 'seed-tray' ? null : gridOf(container),
    settled: await settledFor(batch.cropId),
    trays: traysFor(sown.sown, container),
    trayUp: state.trayUp,
    up: state.up_count,
    covered: state.covered,
    phase: state.phase,
    verdict: emergence.verdict,
    needed: emergence.needed,
    today: season.now.today,
    onHeat: season.batches
      .filter((other) => other.state.phase === 'sown' || other.state.phase === 'emerged')
      .map((other) => ({
        code: other.batch.code,
        name: other.name,
        countedToday: other.state.lastCountOn === season.now.today,
      })),
  };
}
