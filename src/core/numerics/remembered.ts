/** What a pure function gave for the keys it was last asked for; the key that was asked for longest ago goes first. */
export class Remembered<T> {
  readonly #given = new Map<string, T>();
  readonly #most: number;

  /** @throws RangeError when it is to hold nothing */
  constructor(most: number) {
    if (!(most >= 1)) throw new RangeError(`holds at least one answer, not ${most}`);
    this.#most = most;
  }

  get size(): number {
    return this.#given.size;
  }

  /** The answer to a key: as it was given before, else worked out now. */
  get(key: string, work: () => T): T {
    if (this.#given.has(key)) {
      const given = this.#given.get(key) as T;
      this.#given.delete(key);
      this.#given.set(key, given);
      return given;
    }
    const fresh = work();
    this.#given.set(key, fresh);
    if (this.#given.size > this.#most) this.#given.delete(this.#given.keys().next().value!);
    return fresh;
  }
}

/** Numbers for objects, the same for the same object as long as it is held by anybody: for keys of what follows from them. */
export class Numbered {
  readonly #numbers = new WeakMap<object, number>();
  #next = 1;

  of(one: object): number {
    let number = this.#numbers.get(one);
    if (number === undefined) this.#numbers.set(one, (number = this.#next++));
    return number;
  }
}

/**
 * What follows from an object that never changes, and from further things: worked out once while they stay the same, and
 * forgotten with the object. With `Remembered` the one way by which anything derived is kept.
 */
export class Derived<K extends object, T> {
  readonly #known = new WeakMap<K, { readonly from: readonly unknown[]; readonly value: T }>();

  /**
   * @param work is given what followed last time, for one that came out the same to stay the same object
   * @param from what else it follows from, compared one by one by identity
   */
  get(of: K, work: (last: T | undefined) => T, from: readonly unknown[] = []): T {
    const known = this.#known.get(of);
    if (known && known.from.length === from.length && known.from.every((one, i) => Object.is(one, from[i])))
      return known.value;
    const value = work(known?.value);
    this.#known.set(of, { from, value });
    return value;
  }
}
