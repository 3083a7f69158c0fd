import type { Season } from '../../core/plan/season.ts';
import type { FeedToday } from '../../contracts/watering/waterViews.ts';
import { feedsNow } from './feeding.ts';
import { waterNow } from './waterNow.ts';

/** What is fed with the water before tonight, by batch, and at what share of which feed's label rate. */
export function feedToday(season: Season): FeedToday {
  const water = waterNow(season);
  const { feedId, feed_frac } = season.world.nursery.potting;
  const batches = season.batches.flatMap((view) => {
    const today = water.trays.get(view.batch.id);
    if (today?.want !== 'now' || !feedsNow(season, water, view, today.tray)) return [];
    return [{ id: view.batch.id, name: view.name, litres: today.litres }];
  });
  return { feedId, fraction: feed_frac, litres: batches.reduce((sum, { litres }) => sum + litres, 0), batches };
}
