import { useEffect, useState } from 'react';

/** A value once it has stood still for a moment: what is typed is not asked about at every key. */
export function useSettled<T>(value: T, wait_ms = 250): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), wait_ms);
    return () => clearTimeout(timer);
  }, [value, wait_ms]);
  return settled;
}
