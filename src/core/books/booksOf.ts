import type { World } from '../house/world.ts';

// The books are read all at once or not at all: one object of settings stands for one state of them.
const booksKnown = new WeakMap<World['nursery'], string>();

let last = '';

/** All a batch is worked out from besides itself and its log, as one text to compare. */
export function booksOf(world: World): string {
  let books = booksKnown.get(world.nursery);
  if (books === undefined) {
    const { crops, varieties, places, containers, nursery } = world;
    books = JSON.stringify([
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
    ]);
    // The same text is the same string: comparing it again costs nothing.
    if (books === last) books = last;
    last = books;
    booksKnown.set(world.nursery, books);
  }
  return books;
}
