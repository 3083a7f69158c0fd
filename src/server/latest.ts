/** What was read last, with the mark it was read at: read again only when the mark has moved. */
export class Latest<T> {
  #mark: string | null = null;
  #value: T | null = null;
  #reading: { readonly mark: string; readonly value: Promise<T> } | null = null;

  /** What was read last, whatever its mark. */
  get last(): T | null {
    return this.#value;
  }

  /** Two who ask at once for the same mark wait for the same reading; one that failed is not kept. */
  async at(mark: string, read: (last: T | null) => Promise<T>): Promise<T> {
    if (this.#mark === mark) return this.#value!;
    if (this.#reading?.mark !== mark) {
      const reading = { mark, value: read(this.#value) };
      this.#reading = reading;
      const done = (): void => {
        if (this.#reading === reading) this.#reading = null;
      };
      reading.value.then((value) => {
        // One that was overtaken by a later mark does not come back over it.
        if (this.#reading === reading) [this.#mark, this.#value] = [mark, value];
        done();
      }, done);
    }
    return this.#reading.value;
  }
}
