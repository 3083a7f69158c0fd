/** Settings of this device, kept in the browser under a name; where nothing is kept they hold until the page is closed. */

/** What was remembered, over what is usual. */
export function recall<T extends object>(name: string, usual: T): T {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(name) ?? '{}') as Partial<T>) };
  } catch {
    return usual;
  }
}

export function remember(name: string, value: object): void {
  try {
    localStorage.setItem(name, JSON.stringify(value));
  } catch {
    // A browser that keeps nothing asks again.
  }
}
