import { useEffect, useState } from 'react';
import { allWaiting, onWaiting, type Kept } from '../device/waiting.ts';

/** What waits on this device, as it changes, from any page of it. */
export function useWaiting(): readonly Kept[] {
  const [all, setAll] = useState<readonly Kept[]>([]);
  useEffect(() => {
    const look = () => void allWaiting().then(setAll);
    look();
    return onWaiting(look);
  }, []);
  return all;
}
