import { useState } from 'react';
import type { OfferShown, PlanConflict } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import type { OverRoom } from '../../core/plan/schedule/roomUse.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { priceWords } from '../../ui/priceWords.ts';
import type { Worked } from './useSeason.ts';
import { offerWords } from './words.ts';
import { WORDS } from '../../words/en/plan/conflicts.ts';

interface Props {
  readonly house: HouseData;
  readonly troubles: readonly PlanConflict[];
  /** Of all there are, those not shown too. */
  readonly count: number;
  /** How far over room, for the troubles of that kind. */
  readonly over: readonly OverRoom[];
  readonly offers: readonly (readonly OfferShown[])[] | null;
  readonly byId: ReadonlyMap<number, Worked>;
  readonly busy: boolean;
  readonly onSelect: (batchId: number) => void;
  readonly onTake: (offer: OfferShown, words: string) => void;
}

const FIRST = 4;

/** What is wrong with the season, each with two or three ways out and what they cost. */
export function Troubles({ house, troubles, count, over, offers, byId, busy, onSelect, onTake }: Props) {
  const [all, setAll] = useState(false);
  const shown = all ? troubles : troubles.slice(0, FIRST);
  if (troubles.length === 0) {
    return (
      <section>
        <h2>{WORDS.noClashes}</h2>
        <p className="text-ink2">{WORDS.everythingHasRoomAndGoes}</p>
      </section>
    );
  }
  return (
    <section aria-label={WORDS.clashes}>
      <h2>{counted(count, WORDS.clash, WORDS.clashes2)}</h2>
      <ul>
        {shown.map((trouble, i) => (
          <li key={keyOf(trouble)} className="border-b border-line py-2">
            <Title trouble={trouble} run={runOf(trouble, over)} byId={byId} house={house} onSelect={onSelect} />
            {offers === null ? (
              <p className="text-[0.9rem] text-ink2">{WORDS.lookingForWaysOut}</p>
            ) : (offers[i] ?? []).length === 0 ? (
              <p className="text-[0.9rem] text-ink2">{WORDS.noWayOutFoundPlan}</p>
            ) : (
              <ul className="mt-1 flex flex-col gap-1">
                {offers[i]!.map((offer, j) => {
                  const words = offerWords(offer, byId, house);
                  const only = offer.kind === 'fewer' || offer.kind === 'more-room';
                  const cleared =
                    offer.cleared_slotDays > 0 ? WORDS.clearsTrayDays(Math.round(offer.cleared_slotDays)) : '';
                  return (
                    <li key={j}>
                      <button
                        type="button"
                        className="flex min-h-11 w-full cursor-pointer items-center gap-2 rounded border border-line bg-paper px-2 py-1 text-left hover:border-plum disabled:cursor-default"
                        disabled={busy}
                        onClick={() => (only ? onSelect(offer.batches[0]!.id) : onTake(offer, words))}
                      >
                        <span className="flex-1 text-[0.93rem] leading-snug">
                          {words}
                          <span className="block text-[0.85rem] text-ink2">
                            {cleared && `${cleared} · `}
                            {priceWords(offer.price)}
                          </span>
                        </span>
                      </button>
                    </li>
                  );
                })}
              </ul>
            )}
          </li>
        ))}
      </ul>
      {troubles.length > FIRST && (
        <button type="button" className="link-btn" onClick={() => setAll(!all)}>
          {all ? WORDS.fewer : count > troubles.length ? WORDS.theFirst(troubles.length) : WORDS.all(troubles.length)}
        </button>
      )}
    </section>
  );
}

function Title({
  trouble,
  run,
  byId,
  house,
  onSelect,
}: Pick<Props, 'byId' | 'house' | 'onSelect'> & { readonly trouble: PlanConflict; readonly run: OverRoom | null }) {
  if (trouble.kind === 'over') {
    const place = house.places.find((p) => p.id === trouble.placeId)?.name;
    return (
      <p>
        <strong>{WORDS.isOverBy(place, counted(Math.ceil(run?.most_slots ?? 0), WORDS.traySpace))}</strong>
        <span className="block text-[0.92rem] text-ink2">
          {trouble.to - trouble.from === 1
            ? shortDay(trouble.from)
            : WORDS.to(shortDay(trouble.from), shortDay(trouble.to - 1))}
        </span>
      </p>
    );
  }
  const worked = byId.get(trouble.batchId);
  const late = worked?.progress.late_days;
  return (
    <p className="flex items-center gap-2">
      <button
        type="button"
        className="min-h-9 flex-1 cursor-pointer text-left font-semibold underline underline-offset-4"
        onClick={() => onSelect(trouble.batchId)}
      >
        {worked?.batch.name}
      </button>
      <span className="tag bad">{trouble.kind === 'stuck' ? WORDS.cannotBe : WORDS.dLate(late)}</span>
    </p>
  );
}

function runOf(trouble: PlanConflict, over: readonly OverRoom[]): OverRoom | null {
  if (trouble.kind !== 'over') return null;
  return over.find((run) => run.placeId === trouble.placeId && run.from === trouble.from) ?? null;
}

function keyOf(trouble: PlanConflict): string {
  return trouble.kind === 'over' ? `over/${trouble.placeId}/${trouble.from}` : `${trouble.kind}/${trouble.batchId}`;
}
