import { useState } from 'react';
import { useAnswer, useView, writeNow } from '../../ui/kit/data.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { PlannedSteps } from '../../core/plan/batchPlan.ts';
import type { StagePlaces } from '../../core/plan/stage.ts';
import type { ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import type { PlanChangeLine } from '../../contracts/plan/planning.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import { freshKey, trouble } from '../../ui/call.ts';
import { WORDS } from '../../words/en/plan/usePlanChanges.ts';

/** A change of one batch's plan to be written. */
export interface BatchToWrite {
  readonly id: number;
  readonly places?: StagePlaces;
  readonly steps?: PlannedSteps;
  readonly transplantOn?: number;
  readonly age_frac?: number;
  readonly pinned?: boolean;
}

export interface SeasonNow {
  readonly house: HouseData;
  readonly initial: readonly SeasonBatch[];
}

/** Writes changes of the season's plan, reads the season anew after each, and undoes the last. */
export function usePlanChanges(first: SeasonNow) {
  const { view: now, refresh: readSeason } = useView<SeasonNow>('/api/plan/season', first);
  const changes = useAnswer<readonly PlanChangeLine[]>('/api/plan/season/plan');
  const undoable = changes.data?.find((line) => !line.undone && line.undoesId === null) ?? null;
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(false);

  const reload = async (): Promise<void> => {
    await Promise.all([readSeason(), changes.refetch({ cancelRefetch: false })]);
  };

  const write = async (
    words: string,
    batches: readonly BatchToWrite[],
    setPoints: readonly ProposedSetPoints[] = [],
    rooms: readonly { placeId: number; room_trays: number }[] = [],
  ): Promise<boolean> => {
    setBusy(true);
    const versionOf = new Map(now.initial.map((b) => [b.id, b.version]));
    const placeVersion = new Map(now.house.places.map((p) => [p.id, p.version]));
    const answer = await writeNow('POST', '/api/plan/season/plan', {
      idempotencyKey: freshKey(),
      words,
      batches: batches.map(({ transplantOn, steps, ...batch }) => ({
        ...batch,
        version: versionOf.get(batch.id),
        ...(transplantOn === undefined ? {} : { transplantOn: isoFromDay(transplantOn) }),
        ...(steps
          ? { steps: Object.fromEntries(Object.entries(steps).map(([key, day]) => [key, isoFromDay(day)])) }
          : {}),
      })),
      setPoints: setPoints
        .filter((s) => s.setPoints.length > 0)
        .map(({ placeId, setPoints: weeks }) => ({
          placeId,
          version: placeVersion.get(placeId),
          setPoints: weeks.map(({ week, setPoint_C }) => ({ week: isoFromDay(week), setPoint_C })),
        })),
      rooms: rooms.map((room) => ({ ...room, version: placeVersion.get(room.placeId) })),
    });
    if (answer.kind === 'done') setMessage(WORDS.done(words));
    else setMessage(trouble(answer));
    // After a refusal as well: what someone else changed is then seen.
    if (answer.kind !== 'offline') await reload();
    setBusy(false);
    return answer.kind === 'done';
  };

  const undo = async (): Promise<void> => {
    if (!undoable) return;
    setBusy(true);
    const answer = await writeNow('POST', '/api/plan/season/undo', {
      idempotencyKey: freshKey(),
      changeId: undoable.id,
    });
    setMessage(answer.kind === 'done' ? WORDS.undone(undoable.words) : trouble(answer));
    if (answer.kind !== 'offline') await reload();
    setBusy(false);
  };

  return { now, message, setMessage, busy, undoable, write, undo, reload };
}
