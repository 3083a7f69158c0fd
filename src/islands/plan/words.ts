import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Stage, WorkKey } from '../../core/plan/stage.ts';
import { placeOfStage } from '../../core/plan/stage.ts';
import { STEP_OF } from '../../core/plan/placement/steps.ts';
import type { ProposedBatch } from '../../core/plan/placement/proposal.ts';
import type { OfferShown } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { stepInto } from './trial.ts';
import type { Worked } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/planWords.ts';

const STAGES: readonly Stage[] = ['germinate', 'grow', 'pot', 'space', 'harden'];
const VERB: Readonly<Record<Stage, string>> = {
  germinate: WORDS.sow,
  grow: WORDS.growOn,
  pot: WORDS.pot,
  space: WORDS.space,
  harden: WORDS.harden,
};

/** What a proposed plan changes of one batch: places and days, in the order of its stages. */
export interface BatchChange {
  readonly stage: Stage;
  readonly key: WorkKey;
  readonly placeId: number | null;
  /** Days later; 0 = same day. */
  readonly shift_days: number;
  readonly day: number | null;
}

/** Differences between what a batch has now and what is proposed, stage by stage. */
export function changesOf({ batch, progress }: Worked, proposed: ProposedBatch): BatchChange[] {
  return STAGES.flatMap((stage): BatchChange[] => {
    const now = stepInto(progress, stage);
    const day = proposed.steps[STEP_OF[stage]];
    if (day === undefined) return [];
    const before = now
      ? progress.stands.find((s) => s.stage === stage)!.placeId
      : placeOfStage(batch.plan.places, stage);
    const after = placeOfStage(proposed.places, stage);
    const shift_days = now ? day - now.day : 0;
    if (before === after && shift_days === 0) return [];
    return [{ stage, key: STEP_OF[stage], placeId: before === after ? null : after, shift_days, day }];
  });
}

/** "pot in Bench 1, 4 days later". */
export function changeWords(change: BatchChange, placeName: (id: number) => string): string {
  const parts = [VERB[change.stage].toLowerCase()];
  if (change.placeId !== null) parts.push(WORDS.in(placeName(change.placeId)));
  const shift = change.shift_days;
  const when = shift === 0 ? '' : `${counted(Math.abs(shift), WORDS.day)} ${shift > 0 ? 'later' : 'sooner'}`;
  return when ? `${parts.join(' ')}${change.placeId !== null ? ',' : ''} ${when}` : parts.join(' ');
}

/** What an offer asks for, in a line. */
export function offerWords(offer: OfferShown, byId: ReadonlyMap<number, Worked>, house: HouseData): string {
  const placeName = (id: number) => house.places.find((p) => p.id === id)?.name ?? WORDS.anotherPlace;
  const first = offer.batches[0];
  const worked = first && byId.get(first.id);
  const name = worked?.batch.name ?? '';
  const setPoint = offer.setPoints[0];
  if (offer.kind === 'set-point' && setPoint) {
    const { week, setPoint_C } = setPoint.setPoints[0]!;
    const weeks = counted(setPoint.setPoints.length, WORDS.week);
    const to = setPoint_C === null ? 'off' : WORDS.at(degrees(setPoint_C, house.unit));
    return WORDS.forFrom(placeName(setPoint.placeId), to, weeks, shortDay(week));
  }
  if (offer.kind === 'fewer') return WORDS.raiseOfSplitTheRest(Math.round((offer.share_frac ?? 1) * 100), name);
  if (offer.kind === 'more-room' && offer.lack) {
    const { placeId, slots, from, to } = offer.lack;
    return WORDS.findMoreInForThen(
      counted(Math.ceil(slots), WORDS.traySpace),
      placeName(placeId),
      counted(to - from, WORDS.day),
      name,
    );
  }
  if (!first || !worked) return WORDS.anotherWay;
  if (offer.kind === 'late') return WORDS.letGoOut(name, shortDay(first.steps.plant!));
  const changes = changesOf(worked, first);
  const moved = changes.find((change) => change.placeId !== null);
  const shifted = changes.find((change) => change.shift_days !== 0);
  if (moved && shifted && moved !== shifted) {
    return `${name}: ${changeWords({ ...moved, shift_days: 0 }, placeName)}; ${changeWords({ ...shifted, placeId: null }, placeName)}`;
  }
  const told = moved ?? shifted;
  return told ? `${name}: ${changeWords(told, placeName)}` : WORDS.asItIs(name);
}

/** A plan with what is proposed for it. */
export function planProposed(plan: BatchPlan, proposed: ProposedBatch): BatchPlan {
  return { ...plan, places: proposed.places, steps: proposed.steps };
}
