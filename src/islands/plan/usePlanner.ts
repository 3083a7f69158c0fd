import { useCallback, useEffect, useRef, useState } from 'react';
import type {
  KeptWeeks,
  MakeRoomAnswer,
  OfferShown,
  PlanAnswer,
  PlanReport,
  PlanRequest,
  PlanConflict,
} from '../../contracts/plan/planner.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import type { ProposedBatch } from '../../core/plan/placement/proposal.ts';
import type { SureTried } from './HowSure.tsx';
import { planHelper, runPlan, type PlanHelper, type PlanRun } from '../../workers/planner.client.ts';
import { WORDS } from '../../words/en/plan/usePlanner.ts';

export interface Planning {
  /** null when nothing is being worked out. */
  readonly report: PlanReport | null;
  readonly answer: PlanAnswer | null;
  readonly trouble: string;
  /** Plans made of the season as it is, one for each sureness. */
  readonly tried: readonly SureTried[];
  start(options: PlanOptions): void;
  cancel(): void;
  /** Forgets the answer. */
  leave(): void;
}

export type PlanOptions = Pick<PlanRequest, 'look' | 'only' | 'setPoints'> & { readonly sure_frac?: number };

const NOTHING_KEPT: readonly KeptWeeks[] = [];

/** Seed of the first plan; another press tries other chances. */
const FIRST_SEED = 1;

/** Works out plans of the season in a thread of their own. */
export function usePlanner(
  house: HouseData,
  batches: readonly SeasonBatch[],
  keep: readonly KeptWeeks[] = NOTHING_KEPT,
): Planning {
  const [report, setReport] = useState<PlanReport | null>(null);
  const [answer, setAnswer] = useState<PlanAnswer | null>(null);
  const [trouble, setTrouble] = useState('');
  const [tried, setTried] = useState<readonly SureTried[]>([]);
  const run = useRef<PlanRun | null>(null);
  const seed = useRef(FIRST_SEED);
  useEffect(() => () => run.current?.stop(), []);

  const start = useCallback(
    (options: PlanOptions) => {
      run.current?.stop();
      setTrouble('');
      setReport({ done_frac: 0, words: WORDS.layingOut });
      const { sure_frac = null } = options;
      // Another sureness is laid beside the plan shown: the same chances.
      if (sure_frac === null) seed.current = answer ? seed.current + 1 : FIRST_SEED;
      const mine = runPlan({ house, batches, keep, seed: seed.current, ...options, sure_frac }, (next) => {
        if (run.current === mine) setReport(next);
      });
      run.current = mine;
      mine.answer.then(
        (found) => {
          if (run.current !== mine) return;
          run.current = null;
          setReport(null);
          setAnswer(found);
          if (!options.only) setTried((known) => withTried(known, found));
        },
        (error: unknown) => {
          if (run.current !== mine) return;
          run.current = null;
          setReport(null);
          setTrouble(WORDS.thePlanCouldNotBe((error as Error).message));
        },
      );
    },
    [house, batches, keep, answer],
  );
  useEffect(() => setTried([]), [house, batches, keep]);
  const cancel = useCallback(() => {
    run.current?.stop();
    run.current = null;
    setReport(null);
  }, []);
  const leave = useCallback(() => setAnswer(null), []);
  return { report, answer, trouble, tried, start, cancel, leave };
}

/** The plans made so far with one more, by how sure they are. */
function withTried(known: readonly SureTried[], { cost, sure_frac, sown }: PlanAnswer): SureTried[] {
  const one = { sure_frac, heat_kWh: cost.heat_kWh, heat_money: cost.heat, sown };
  return [...known.filter((other) => other.sure_frac !== sure_frac), one].sort((a, b) => a.sure_frac - b.sure_frac);
}

/** Offers for the troubles of the season as it is; null while they are being worked out. */
export function useOffers(
  house: HouseData,
  batches: readonly SeasonBatch[],
  troubles: readonly PlanConflict[],
): { offers: readonly (readonly OfferShown[])[] | null; makeRoom(wanted: ProposedBatch): Promise<MakeRoomAnswer> } {
  const [offers, setOffers] = useState<OfferShown[][] | null>(null);
  const helper = useRef<PlanHelper | null>(null);
  useEffect(
    () => () => {
      helper.current?.close();
      helper.current = null;
    },
    [],
  );
  useEffect(() => {
    let current = true;
    setOffers(null);
    if (troubles.length === 0) return setOffers([]);
    helper.current ??= planHelper();
    helper.current.offersFor({ house, batches, troubles }).then(
      (found) => current && setOffers(found),
      () => current && setOffers(troubles.map(() => [])),
    );
    return () => {
      current = false;
    };
  }, [house, batches, troubles]);
  const makeRoom = useCallback(
    (wanted: ProposedBatch) => {
      helper.current ??= planHelper();
      return helper.current.makeRoom({ house, batches, batchId: wanted.id, wanted });
    },
    [house, batches],
  );
  return { offers, makeRoom };
}
