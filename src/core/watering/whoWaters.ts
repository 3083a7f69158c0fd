/** Work at a place while some are away, in minutes. */
export interface PlaceWork {
  readonly placeId: number;
  readonly minutes: number;
}

/**
 * Who waters which place: each goes whole to one person, the longest first to whoever has least so far, so that nobody has to ask who was
 * there already.
 * @returns person by place; empty where nobody stays
 */
export function whoWaters(work: readonly PlaceWork[], people: readonly number[]): ReadonlyMap<number, number> {
  const sums = new Map<number, number>();
  for (const { placeId, minutes } of work) sums.set(placeId, (sums.get(placeId) ?? 0) + minutes);
  const has = new Map(people.map((person) => [person, 0]));
  const who = new Map<number, number>();
  if (people.length === 0) return who;
  for (const [placeId, minutes] of [...sums].sort(([a, x], [b, y]) => y - x || a - b)) {
    const person = people.reduce((least, one) => (has.get(one)! < has.get(least)! ? one : least));
    has.set(person, has.get(person)! + minutes);
    who.set(placeId, person);
  }
  return who;
}
