import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { feedFor, type Feed } from '../../core/potting/feed.ts';
import { restUntil } from '../../core/potting/rest.ts';
import type { TrayWater } from '../../core/watering/trayWater.ts';
import { waterWeeks } from '../../core/watering/waterWeeks.ts';
import type { FeedGiven } from '../../contracts/watering/water.ts';
import { demandOn } from './waterDemand.ts';
import type { WaterNow } from './waterNow.ts';

/** Fed from so many days after half up, with every so many waterings. Common practice, no source. */
const FEED = { from_days: 14, every: 3 } as const;

/** Whether feed goes with a tray's next watering: every so many, from two weeks after half up, and not while it rests after potting. */
export function feedsNow({ now, world }: Season, water: WaterNow, view: BatchView, tray: TrayWater): boolean {
  const halfUp = view.state.facts['half-up'] ?? view.state.facts.arrive;
  if (halfUp === undefined || now.today - halfUp < FEED.from_days) return false;
  if (restUntil(view.state, world.nursery.potting.rest_days, now.today) !== null) return false;
  const own = water.lines.filter(({ batchId, kind }) => batchId === tray.batchId && kind === 'watered');
  const fedAt = own.findLastIndex(({ fed }) => fed);
  return own.length - 1 - fedAt >= FEED.every - 1;
}

const usualFeed = ({ world }: Season): (Feed & { readonly id: number }) | null =>
  world.feeds.find(({ id }) => id === world.nursery.potting.feedId) ?? null;

/** What of the house's usual feed goes into so many litres; null: none is chosen, or none is given. */
export function feedGiven(season: Season, litres: number): FeedGiven | null {
  const feed = usualFeed(season);
  if (!feed || litres < 0.05) return null;
  const { feed_frac } = season.world.nursery.potting;
  const { amount, unit } = feedFor(feed, {
    fraction: feed_frac,
    water_L: Math.max(0.1, litres),
    injector: null,
    water_mS: 0,
  });
  return { name: feed.name, litres, amount, unit, fraction: feed_frac };
}

/** Thing of the stock that the usual feed is taken from; null: it is not kept in stock. */
export const feedItem = (season: Season): number | null => {
  const feed = usualFeed(season);
  return feed === null
    ? null
    : (season.world.stock.find(({ feedId, retiredOn }) => feedId === feed.id && retiredOn == null)?.id ?? null);
};

/** Litres of water with feed in the days to come: a third of the water of what is old enough. */
export function fedLitresAhead(season: Season, days: number): number {
  const { now, batches } = season;
  const end = now.today + days;
  const stands = batches.flatMap(({ state, progress }) => {
    const { forecast } = progress;
    const halfUp =
      state.facts['half-up'] ??
      state.facts.arrive ??
      (forecast.kind === 'chain' ? milestoneOf(forecast, 'half-up')?.day : undefined);
    if (halfUp === undefined) return [];
    return progress.stands
      .map((stand) => ({
        ...stand,
        from: Math.max(stand.from, now.today, halfUp + FEED.from_days),
        to: Math.min(stand.to, end),
      }))
      .filter(({ from, to }) => to > from);
  });
  const weeks = waterWeeks(stands, now.today, demandOn(season));
  return weeks.reduce((sum, { week, litresADay }) => {
    const inIt = Math.min(week + 7, end) - Math.max(week, now.today);
    return sum + (Math.max(0, inIt) * litresADay) / FEED.every;
  }, 0);
}
