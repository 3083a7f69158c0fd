import type { BatchOutcome, Outcome } from '../../core/plan/placement/outcomes.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { money } from '../../ui/house.ts';
import type { LaterOne } from './useOutcomes.ts';
import type { Worked } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/madeLater.ts';

/** What making a batch later brings: what the season would cost more if it stayed as it is. */
export interface Buys {
  readonly heat_kWh: number;
  readonly money: number;
  readonly over_slotDays: number;
}

/** "24 May, 71 in 100 ready in its days". */
function outcomeWords({ out, inTime_frac }: Outcome): string {
  if (out === null) return WORDS.cannotBe;
  return inTime_frac === null ? shortDay(out) : WORDS.in100(shortDay(out), Math.round(100 * inTime_frac));
}

/** "24 May, 71 in 100, then 22 May, 92 in 100". */
export function changeOfOutcome({ before, after }: BatchOutcome): string {
  return WORDS.outReadyInTimeThen(outcomeWords(before), outcomeWords(after));
}

interface Props {
  readonly later: readonly LaterOne[];
  /** Places whose set-points stay as they are, and their names. */
  readonly heldPlaces: ReadonlySet<number>;
  readonly setPlaces: readonly { readonly id: number; readonly name: string }[];
  readonly onHold: (placeIds: readonly number[], hold: boolean) => void;
  readonly byId: ReadonlyMap<number, Worked>;
  readonly chosen: ReadonlySet<number>;
  readonly onLeaveOut: (id: number, leaveOut: boolean) => void;
}

/** Batches a plan makes later or less sure, each with what that buys, and leaving it as it is. */
export function MadeLater({ later, byId, chosen, heldPlaces, setPlaces, onHold, onLeaveOut }: Props) {
  if (later.length === 0) return <p className="text-[0.95rem]">{WORDS.noBatchIsMadeLater}</p>;
  return (
    <section aria-label={WORDS.madeLaterByThisPlan} className="note-bar">
      <h3>{WORDS.madeLaterByThisPlan2(counted(later.length, WORDS.batch, WORDS.batches))}</h3>
      <ul>
        {later.map((one) => (
          <li key={one.id} className="border-b border-line py-1.5">
            <p className="font-semibold">{byId.get(one.id)?.batch.name}</p>
            <p className="text-[0.92rem]">{changeOfOutcome(one)}</p>
            {one.moves ? (
              <>
                <p className="text-[0.92rem] text-ink2">{buysWords(one.buys)}</p>
                <label className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-plum"
                    checked={!chosen.has(one.id)}
                    onChange={(e) => onLeaveOut(one.id, e.target.checked)}
                  />
                  {WORDS.leaveItAsItIs}
                </label>
              </>
            ) : (
              <HeldHeat {...{ one, heldPlaces, setPlaces, onHold }} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function buysWords(buys: Buys | null): string {
  if (!buys) return WORDS.leftAsItIs;
  const parts: string[] = [];
  const kWh = Math.round(buys.heat_kWh);
  if (kWh > 0) parts.push(WORDS.kwh(kWh, money(buys.money)));
  if (buys.over_slotDays >= 1) parts.push(WORDS.roomForTrayDays(Math.round(buys.over_slotDays)));
  return parts.length === 0 ? WORDS.itBuysNothingThatCan : WORDS.itBuys(parts.join(' and '));
}

/** A batch that is not moved but kept less warm: its places may keep their set-points. */
function HeldHeat({
  one,
  heldPlaces,
  setPlaces,
  onHold,
}: Pick<Props, 'heldPlaces' | 'setPlaces' | 'onHold'> & { readonly one: LaterOne }) {
  const mine = setPlaces.filter((place) => one.placeIds.includes(place.id));
  return (
    <>
      <p className="text-[0.92rem] text-ink2">{WORDS.itIsNotMovedThe}</p>
      {mine.length > 0 && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-plum"
            checked={mine.every((place) => heldPlaces.has(place.id))}
            onChange={(e) =>
              onHold(
                mine.map((place) => place.id),
                e.target.checked,
              )
            }
          />
          {WORDS.leaveTheSetPointsOf(mine.map((place) => place.name).join(' and '))}
        </label>
      )}
    </>
  );
}
