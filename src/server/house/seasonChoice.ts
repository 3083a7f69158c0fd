import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import type { Season } from '../../core/plan/season.ts';

/** Seasons a screen may show, and the one it was asked for (?season=); null: all of them together. */
export interface SeasonChoice {
  readonly seasons: readonly SeasonRecord[];
  readonly chosen: SeasonRecord | null;
}

/** @param which only open seasons with batches in them, or closed ones as well */
export function seasonChoice({ world, batches }: Season, url: URL, which: 'open' | 'all'): SeasonChoice {
  const withBatches = new Set(batches.map(({ batch }) => batch.seasonId));
  const seasons = world.seasons.filter((one) => (one.closedAt_ms !== null ? which === 'all' : withBatches.has(one.id)));
  const asked = url.searchParams.get('season');
  return { seasons, chosen: seasons.find((one) => String(one.id) === asked) ?? null };
}

/** A season with the batches of one of the house's seasons only; room, work and money of the others are left out. */
export function onlyOf(season: Season, chosen: SeasonRecord | null): Season {
  if (!chosen) return season;
  return { ...season, batches: season.batches.filter(({ batch }) => batch.seasonId === chosen.id) };
}
