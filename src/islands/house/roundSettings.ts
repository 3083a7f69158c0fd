import { useEffect, useState } from 'react';
import { recall, remember } from '../../ui/remembered.ts';
import type { HalfOfDay } from '../../core/house/houseJob.ts';

/** How whoever holds this device walks the round. */
export interface RoundSettings {
  /** Minutes there are; null: the whole round; 0: only what must be today. */
  readonly minutes: number | null;
  /** People here today, by number; empty: nobody said. */
  readonly here: readonly number[];
  /** Day they were here: tomorrow it is asked again. */
  readonly hereOn: number;
  /** Half of the day that is walked; null: by the clock. */
  readonly half: HalfOfDay | null;
  /** On a phone: a place at a time. */
  readonly onePlace: boolean;
  /** Job that is timed, and since when by this device's clock. */
  readonly timing: { readonly key: string; readonly at_ms: number } | null;
}

const USUAL: RoundSettings = { minutes: null, here: [], hereOn: 0, half: null, onePlace: true, timing: null };
const NAME = 'crook.round';

function kept(today: number): RoundSettings {
  const read = recall(NAME, USUAL);
  // Hours, halves and people are those of a day.
  return read.hereOn === today ? read : { ...USUAL, onePlace: read.onePlace, timing: read.timing, hereOn: today };
}

/** The settings of this device, kept for the day; as drawn first they are the usual ones. */
export function useRoundSettings(today: number): readonly [RoundSettings, (change: Partial<RoundSettings>) => void] {
  const [settings, setSettings] = useState<RoundSettings>({ ...USUAL, hereOn: today });
  useEffect(() => setSettings(kept(today)), [today]);
  const change = (part: Partial<RoundSettings>) =>
    setSettings((before) => {
      const after = { ...before, ...part, hereOn: today };
      remember(NAME, after);
      return after;
    });
  return [settings, change];
}
