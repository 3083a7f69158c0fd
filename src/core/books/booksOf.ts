import type { World } from '../house/world.ts';
import { Derived } from '../numerics/remembered.ts';

// The books are read all at once or not at all: one object of settings stands for one state of them.
const booksKnown = new Derived<World['nursery'], string>();

/** All a batch is worked out from besides itself and its log, as one text to compare. */
export function booksOf(world: World): string {
  const { crops, varieties, places, containers, nursery } = world;
  return booksKnown.get(nursery, () =>
    JSON.stringify([
      crops,
      varieties,
      places,
      containers,
      nursery.offHeat,
      nursery.outside,
      nursery.learning,
      nursery.offHeatCool,
      nursery.potting,
      nursery.planting,
      world.programmes,
      world.covers,
    ]),
  );
}
