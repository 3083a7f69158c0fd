import type { PottingDetails } from '../../core/batch/event.ts';
import { effectiveEvents } from '../../core/batch/reduce.ts';
import type { Container } from '../../core/books/container.ts';
import type { MixPart, MixRecipe } from '../../core/potting/mix.ts';
import type { Timed } from '../../core/potting/rates.ts';
import type { World } from '../../core/house/world.ts';
import { Derived } from '../../core/numerics/remembered.ts';

/** The books a potting is worked out from, by number. */
export interface PottingBooks {
  readonly containers: ReadonlyMap<number, Container>;
  readonly recipes: ReadonlyMap<number, MixRecipe>;
  readonly parts: ReadonlyMap<number, MixPart>;
}

export function pottingBooks(world: World): PottingBooks {
  return {
    containers: new Map(world.containers.map((c) => [c.id, c])),
    recipes: new Map(world.mixes.map((m) => [m.id, m])),
    parts: new Map(world.stock.filter((s) => s.kind === 'part').map((s) => [s.id, s])),
  };
}

const known = new Derived<World, readonly Timed[]>();

/** Every potting somebody timed, those of closed seasons as well, oldest first. */
export function timedOf(world: World): readonly Timed[] {
  return known.get(world, () => {
    const all: (Timed & { day: number })[] = [];
    const add = (cropId: number, day: number, plants: number, { containerId, minutes, people }: PottingDetails) => {
      if (minutes != null) all.push({ containerId, cropId, plants, minutes, people, day });
    };
    for (const { cropId, day, count, details } of world.kept.pottings) add(cropId, day, count, details);
    for (const batch of world.batches)
      for (const { day, count, details } of effectiveEvents(world.events.get(batch.id) ?? []))
        if (details) add(batch.cropId, day, count!, details);
    return all.sort((a, b) => a.day - b.day);
  });
}
