import { useEffect, useRef, useState } from 'react';
import type { PlaceAnswer } from '../../contracts/plan/planner.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Crop } from '../../core/books/crop.ts';
import { readNow } from '../../ui/kit/data.ts';
import { planHelper, type PlanHelper } from '../../workers/planner.client.ts';

/** Time after the last key before the planner is asked. */
const PAUSE_ms = 350;

/** What the planner would do with a batch as typed, beside what stands there. */
export interface Placing {
  readonly answer: PlaceAnswer | null;
  /** It is being worked out; false as well when it cannot be. */
  readonly asking: boolean;
}

export function usePlacing(house: HouseData, crop: Crop | null, plan: BatchPlan | null): Placing {
  const [answer, setAnswer] = useState<PlaceAnswer | null>(null);
  const [asking, setAsking] = useState(false);
  const helper = useRef<PlanHelper | null>(null);
  const season = useRef<Promise<readonly SeasonBatch[] | null> | null>(null);
  useEffect(
    () => () => {
      helper.current?.close();
      helper.current = null;
    },
    [],
  );
  useEffect(() => {
    setAnswer(null);
    setAsking(crop !== null && plan !== null);
    if (!crop || !plan) return;
    let current = true;
    const timer = setTimeout(async () => {
      season.current ??= readNow<{ initial: readonly SeasonBatch[] }>('/api/plan/season').then((got) =>
        got.kind === 'done' ? got.value.initial : null,
      );
      const batches = await season.current;
      if (batches === null) season.current = null;
      if (!current) return;
      if (batches === null) return setAsking(false);
      helper.current ??= planHelper();
      const found = await helper.current.placeBatch({ house, batches, crop, plan }).catch(() => null);
      if (!current) return;
      setAnswer(found);
      setAsking(false);
    }, PAUSE_ms);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [house, crop, plan]);
  return { answer, asking };
}
