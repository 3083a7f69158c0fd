import { cellsToSow, traysFor } from '../../core/batch/trays.ts';
import { mixLitres } from '../../core/books/seedSupply.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { Season } from '../../core/plan/season.ts';
import type { SowingLine } from '../../contracts/germination/sowingLine.ts';
import { WORDS } from '../../words/en/germination/sowingSheetServer.ts';

const AHEAD_days = 7;

/** What is to be sown within a week, by place, the warmest first. */
export function sowingLines({ world, now, tables, batches }: Season): SowingLine[] {
  return batches
    .flatMap((view): SowingLine[] => {
      const job = view.work.find((one) => one.kind === 'sow');
      const { plan } = view.batch;
      if (view.state.phase !== 'planned' || plan.joins || !job || job.dueOn > now.today + AHEAD_days) return [];
      const crop = world.crops.find((one) => one.id === view.batch.cropId)!;
      const lot = world.lots.find((one) => one.id === view.batch.lotId) ?? null;
      const container = world.containers.find((one) => one.id === plan.sowContainerId)!;
      const cells = cellsToSow(plan);
      const trays = traysFor(cells, container);
      const place = world.places.find((one) => one.id === plan.places.germinate);
      return [
        {
          id: view.batch.id,
          name: view.name,
          code: view.batch.code,
          lot: lot?.code ?? null,
          dueOn: job.dueOn,
          cells,
          trays,
          perTray: container.cells,
          container: container.name,
          litres: mixLitres(trays, container.volume_L),
          light: lot?.light ?? crop.light,
          depth_mm: lot?.depth_mm ?? crop.depth_mm,
          placeId: place?.id ?? 0,
          place: place?.name ?? WORDS.noPlaceChosen,
          place_C: place ? temperatureOn(tables.climateOf(place.id), now.today).day_C : null,
        },
      ];
    })
    .sort((a, b) => (b.place_C ?? 0) - (a.place_C ?? 0) || a.placeId - b.placeId || a.dueOn - b.dueOn);
}
