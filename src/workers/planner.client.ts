import { proxy, releaseProxy, wrap, type Remote } from 'comlink';
import type {
  MakeRoomAnswer,
  MakeRoomRequest,
  OffersRequest,
  OfferShown,
  PlaceAnswer,
  PlaceRequest,
  PlanAnswer,
  PlanReport,
  PlanRequest,
  SeasonSent,
  TightAnswer,
} from '../contracts/plan/planner.ts';
import type { Planner } from './planner.worker.ts';

function start(): { worker: Worker; planner: Remote<Planner> } {
  const worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' });
  return { worker, planner: wrap<Planner>(worker) };
}

/** A plan being worked out. `stop` ends it at once; nothing of it is kept. */
export interface PlanRun {
  readonly answer: Promise<PlanAnswer>;
  stop(): void;
}

/** Works out a plan in a thread of its own, which is thrown away afterwards. */
export function runPlan(request: PlanRequest, onReport: (report: PlanReport) => void): PlanRun {
  const { worker, planner } = start();
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (event) => reject(new Error(event.message || 'the planner stopped')));
  });
  const answer = Promise.race([planner.plan(request, proxy(onReport)), failed]).finally(() => {
    planner[releaseProxy]();
    worker.terminate();
  });
  return { answer, stop: () => worker.terminate() };
}

/** A helper kept for quick questions about the season as it is. */
export interface PlanHelper {
  offersFor(request: OffersRequest): Promise<OfferShown[][]>;
  makeRoom(request: MakeRoomRequest): Promise<MakeRoomAnswer>;
  placeBatch(request: PlaceRequest): Promise<PlaceAnswer>;
  close(): void;
}

export function planHelper(): PlanHelper {
  const { worker, planner } = start();
  return {
    offersFor: (request) => planner.offersFor(request),
    makeRoom: (request) => planner.makeRoom(request),
    placeBatch: (request) => planner.placeBatch(request),
    close: () => worker.terminate(),
  };
}

/** Where a season may become tight, worked out in a thread of its own; `stop` ends it. */
export function runTightSpots(sent: SeasonSent): { readonly answer: Promise<TightAnswer>; stop(): void } {
  const { worker, planner } = start();
  const answer = planner.tightSpots(sent).finally(() => worker.terminate());
  return { answer, stop: () => worker.terminate() };
}
