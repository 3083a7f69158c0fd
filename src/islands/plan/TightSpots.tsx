import { useEffect, useRef, useState } from 'react';
import type { OfferShown, SeasonSent, TightAnswer } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { priceWords } from '../../ui/priceWords.ts';
import { runTightSpots } from '../../workers/planner.client.ts';
import type { Worked } from './useSeason.ts';
import { offerWords } from './words.ts';
import { WORDS } from '../../words/en/plan/tightSpots.ts';

interface Props extends SeasonSent {
  /** What is looked at, by its batches' own forecasts. */
  readonly byId: ReadonlyMap<number, Worked>;
  /** Looked at without being asked. */
  readonly atOnce: boolean;
  readonly busy: boolean;
  readonly onSelect: (batchId: number) => void;
  /** null: nothing can be taken yet. */
  readonly onTake: ((offer: OfferShown, words: string) => void) | null;
}

const SETTLED_ms = 800;

type Look = { readonly kind: 'none' | 'looking' | 'failed' } | { readonly kind: 'seen'; readonly answer: TightAnswer };

/** Where slow or quick springs would leave a place short of room, with what eases the weakest spots. */
export function TightSpots({ house, batches, byId, atOnce, busy, onSelect, onTake }: Props) {
  const [look, setLook] = useState<Look>({ kind: 'none' });
  const run = useRef<ReturnType<typeof runTightSpots> | null>(null);
  const stop = (): void => {
    run.current?.stop();
    run.current = null;
  };
  const start = (): void => {
    stop();
    setLook({ kind: 'looking' });
    const mine = runTightSpots({ house, batches });
    run.current = mine;
    mine.answer.then(
      (answer) => run.current === mine && setLook({ kind: 'seen', answer }),
      () => run.current === mine && setLook({ kind: 'failed' }),
    );
  };
  useEffect(() => {
    // Another plan than the one that was looked at: begun anew when it stays for a while.
    stop();
    setLook({ kind: 'none' });
    const timer = atOnce ? setTimeout(start, SETTLED_ms) : undefined;
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- begun anew with the plan, not with each rendering
  }, [house, batches]);
  useEffect(() => stop, []);
  return (
    <section aria-label={WORDS.roomInOtherSprings}>
      <h3>{WORDS.roomIfTheSpringIs}</h3>
      <div aria-live="polite">
        {look.kind === 'looking' && <p className="text-[0.92rem] text-ink2">{WORDS.tryingThePlanInSome}</p>}
        {look.kind === 'failed' && <p className="text-[0.92rem]">{WORDS.thatCouldNotBeWorked}</p>}
        {look.kind === 'seen' && look.answer.spots.length === 0 && (
          <p className="text-[0.92rem]">{WORDS.everythingKeepsItsRoomIn(look.answer.runs)}</p>
        )}
      </div>
      {look.kind === 'seen' && look.answer.spots.length > 0 && (
        <Seen house={house} answer={look.answer} byId={byId} busy={busy} onSelect={onSelect} onTake={onTake} />
      )}
      {(look.kind === 'none' || look.kind === 'failed') && (
        <button type="button" className="btn" onClick={start}>
          {WORDS.tryItIn500Springs}
        </button>
      )}
    </section>
  );
}

function Seen({
  house,
  answer,
  byId,
  busy,
  onSelect,
  onTake,
}: Pick<Props, 'byId' | 'busy' | 'onSelect' | 'onTake'> & { readonly house: HouseData; readonly answer: TightAnswer }) {
  const placeName = (id: number) => house.places.find((p) => p.id === id)?.name ?? '';
  return (
    <>
      <ul>
        {answer.spots.map((spot) => (
          <li key={`${spot.placeId}/${spot.from}`} className="border-b border-line py-2">
            <p>
              <strong>{WORDS.shortIn(placeName(spot.placeId), outOf100(spot.odds_frac))}</strong>
              <span className="block text-[0.92rem] text-ink2">
                {WORDS.toThenByAbout(
                  shortDay(spot.from),
                  shortDay(spot.to - 1),
                  counted(Math.max(1, Math.round(spot.over_slots)), WORDS.traySpace),
                )}
                {spot.batchIds.slice(0, 3).map((id, i) => (
                  <span key={id}>
                    <button type="button" className="link-btn" onClick={() => onSelect(id)}>
                      {byId.get(id)?.batch.name}
                    </button>
                    {i + 1 < Math.min(3, spot.batchIds.length) && ','}{' '}
                  </span>
                ))}
                {WORDS.standThere(spot.batchIds.length > 3 && WORDS.andMore(spot.batchIds.length - 3))}
              </span>
            </p>
            {spot.ease ? (
              <Ease ease={spot.ease} house={house} byId={byId} busy={busy} onTake={onTake} />
            ) : (
              <p className="text-[0.9rem] text-ink2">{WORDS.noOneChangeEasesIt}</p>
            )}
          </li>
        ))}
      </ul>
      <details>
        <summary className="min-h-9 py-1">{WORDS.allThatMayBeShort(counted(answer.weeks.length, WORDS.week))}</summary>
        <table className="plain-table dense">
          <thead>
            <tr>
              <th scope="col">{WORDS.place}</th>
              <th scope="col">{WORDS.weekOf}</th>
              <th scope="col" className="r">
                {WORDS.of100Springs}
              </th>
              <th scope="col" className="r">
                {WORDS.traySpacesOver}
              </th>
            </tr>
          </thead>
          <tbody>
            {answer.weeks.map((week) => (
              <tr key={`${week.placeId}/${week.from}`}>
                <td>{placeName(week.placeId)}</td>
                <td>{shortDay(week.from)}</td>
                <td className="r">{Math.round(100 * week.odds_frac)}</td>
                <td className="r">{Math.max(1, Math.round(week.over_slots))}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="text-[0.85rem] text-ink2">{WORDS.springsDrawnDaysToCome(answer.runs)}</p>
      </details>
    </>
  );
}

function Ease({
  ease,
  house,
  byId,
  busy,
  onTake,
}: Pick<Props, 'byId' | 'busy' | 'onTake'> & {
  readonly house: HouseData;
  readonly ease: NonNullable<TightAnswer['spots'][number]['ease']>;
}) {
  const words = offerWords(ease.offer, byId, house);
  const told = (
    <>
      <span className="flex-1 text-[0.93rem] leading-snug">
        {words}
        <span className="block text-[0.85rem] text-ink2">
          {WORDS.thenShortIn(outOf100(ease.after_frac), priceWords(ease.offer.price))}
        </span>
      </span>
    </>
  );
  if (!onTake)
    return (
      <div className="mt-1">
        <p className="flex items-center gap-2">{told}</p>
        <p className="text-[0.82rem] text-ink2">{WORDS.toBeTakenOnceThe}</p>
      </div>
    );
  return (
    <button
      type="button"
      className="mt-1 flex min-h-11 w-full cursor-pointer items-center gap-2 rounded border border-line bg-paper px-2 py-1 text-left hover:border-plum disabled:cursor-default"
      disabled={busy}
      onClick={() => onTake(ease.offer, words)}
    >
      {told}
    </button>
  );
}

const outOf100 = (frac: number): string =>
  frac < 0.005 ? WORDS.noneOf100Springs : WORDS.of100Springs2(Math.round(100 * frac));
