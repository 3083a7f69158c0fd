/** Whether two plain values say the same, all the way down: numbers, texts, lists and records. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const names = Object.keys(a);
  return (
    names.length === Object.keys(b).length &&
    names.every(
      (name) =>
        Object.hasOwn(b, name) && sameValue((a as Record<string, unknown>)[name], (b as Record<string, unknown>)[name]),
    )
  );
}
