import { decimal } from '../../ui/numbers.ts';
import { useId, type ReactNode } from 'react';
import type { ProposedBatch } from '../../core/plan/placement/proposal.ts';
import type { WeekWork } from '../../core/plan/placement/work.ts';
import { priceBetween, type SeasonSummary } from '../../core/plan/placement/reckon.ts';
import type { PlanAnswer } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { priceWords } from '../../ui/priceWords.ts';
import { Comparison } from './Comparison.tsx';
import { HowSure, type SureTried } from './HowSure.tsx';
import { changeOfOutcome, MadeLater } from './MadeLater.tsx';
import type { Outcomes } from './useOutcomes.ts';
import type { Worked } from './useSeason.ts';
import { changesOf, changeWords, offerWords } from './words.ts';
import { WORDS } from '../../words/en/plan/proposalPanel.ts';

interface Props {
  readonly house: HouseData;
  readonly answer: PlanAnswer;
  readonly byId: ReadonlyMap<number, Worked>;
  readonly moving: readonly ProposedBatch[];
  readonly outcomes: Outcomes;
  readonly chosen: ReadonlySet<number>;
  /** Places whose set-points are not taken. */
  readonly heldPlaces: ReadonlySet<number>;
  readonly onHold: (placeIds: readonly number[], hold: boolean) => void;
  /** Work by week, as it is and as proposed. */
  readonly weeks: readonly [readonly WeekWork[], readonly WeekWork[]];
  /** What other springs would do to its room. */
  readonly tight: ReactNode;
  readonly now: SeasonSummary;
  readonly proposed: SeasonSummary;
  readonly showing: 'now' | 'proposed';
  readonly busy: boolean;
  readonly tried: readonly SureTried[];
  readonly planningNow: boolean;
  readonly onSure: (sure_frac: number) => void;
  readonly onShow: (which: 'now' | 'proposed') => void;
  readonly onChoose: (chosen: ReadonlySet<number>) => void;
  readonly onTake: () => void;
  readonly onLeave: () => void;
  readonly onSelect: (batchId: number) => void;
}

/** A plan of the season beside the one there is: what it brings, what it moves, and taking all, some or none of it. */
export function ProposalPanel(props: Props) {
  const { house, answer, byId, moving, chosen, busy, onChoose } = props;
  const placeName = (id: number) => house.places.find((p) => p.id === id)?.name ?? '';
  const all = chosen.size === moving.length;
  return (
    <section aria-label={WORDS.proposedPlan} className="flex flex-col gap-3">
      <h2>{WORDS.proposedPlan}</h2>
      <div className="flex gap-1" role="group" aria-label={WORDS.whatTheDrawingShows}>
        {(['proposed', 'now'] as const).map((which) => (
          <button
            key={which}
            type="button"
            className={`btn small ${props.showing === which ? 'solid' : ''}`}
            aria-pressed={props.showing === which}
            onClick={() => props.onShow(which)}
          >
            {which === 'now' ? WORDS.asItIsNow : WORDS.asProposed}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn solid" disabled={busy || chosen.size === 0} onClick={props.onTake}>
          {all ? WORDS.takeItAll : WORDS.takeOf(chosen.size, moving.length)}
        </button>
        <button type="button" className="btn" disabled={busy} onClick={props.onLeave}>
          {WORDS.leaveIt}
        </button>
      </div>
      {!all && <Depends {...props} />}
      <HowSure
        sure_frac={answer.sure_frac}
        tried={props.tried}
        busy={busy || props.planningNow}
        onPlan={props.onSure}
      />
      <MadeLater
        later={props.outcomes.later}
        byId={byId}
        chosen={chosen}
        heldPlaces={props.heldPlaces}
        setPlaces={house.places.filter((p) => answer.proposal.setPoints.some((s) => s.placeId === p.id))}
        onHold={props.onHold}
        onLeaveOut={(id, leaveOut) => {
          const next = new Set(chosen);
          if (leaveOut) next.delete(id);
          else next.add(id);
          onChoose(next);
        }}
      />
      <p>
        <strong>{WORDS.thisPlanAgainstNow}</strong> {priceWords(priceBetween(props.now, props.proposed))}.
      </p>
      <Comparison
        house={house}
        columns={[
          { name: WORDS.now, reckoning: props.now },
          { name: WORDS.proposed, reckoning: props.proposed },
        ]}
      />
      <BusiestWeek weeks={props.weeks} />
      {props.tight}
      {answer.bound && <p className="text-[0.92rem] text-ink2">{boundWords(answer.bound)}</p>}
      {answer.exact && <p className="text-[0.92rem] text-ink2">{exactWords(answer)}</p>}
      {answer.offers.length > 0 && (
        <div>
          <h3>{WORDS.noWayFoundFor(counted(answer.offers.length, WORDS.batch, WORDS.batches))}</h3>
          <p className="text-[0.92rem] text-ink2">{WORDS.theyStayAsTheyAre}</p>
          <ul>
            {answer.offers.slice(0, MOST_LISTED).map(({ batchId, offers }) => (
              <li key={batchId} className="border-b border-line py-1.5">
                <button
                  type="button"
                  className="link-btn font-semibold text-ink"
                  onClick={() => props.onSelect(batchId)}
                >
                  {byId.get(batchId)?.batch.name}
                </button>
                {offers.length === 0 ? (
                  <p className="text-ink2">{WORDS.nothingTriedWouldPlaceIt}</p>
                ) : (
                  <ul className="text-[0.92rem] text-ink2">
                    {offers.map((offer, i) => (
                      <li key={i}>
                        {offerWords(offer, byId, house)}: {priceWords(offer.price)}
                      </li>
                    ))}
                  </ul>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div>
        <h3>
          {moving.length === 0
            ? WORDS.nothingWouldMove
            : WORDS.whatMoves(counted(moving.length, WORDS.batch, WORDS.batches))}
        </h3>
        {moving.length > 0 && (
          <button
            type="button"
            className="link-btn"
            onClick={() => onChoose(all ? new Set() : new Set(moving.map((m) => m.id)))}
          >
            {all ? WORDS.chooseNone : WORDS.chooseAll}
          </button>
        )}
        {moving.length > 0 && <OnlyPlace house={house} moving={moving} byId={byId} onChoose={onChoose} />}
        <ul>
          {moving.map((proposed) => {
            const worked = byId.get(proposed.id)!;
            const changes = changesOf(worked, proposed);
            return (
              <li key={proposed.id} className="border-b border-line py-1">
                <label className="flex min-h-9 items-start gap-2">
                  <input
                    type="checkbox"
                    className="mt-1 size-5 accent-plum"
                    checked={chosen.has(proposed.id)}
                    onChange={(e) => {
                      const next = new Set(chosen);
                      if (e.target.checked) next.add(proposed.id);
                      else next.delete(proposed.id);
                      onChoose(next);
                    }}
                  />
                  <span>
                    <span className="font-semibold">{worked.batch.name}</span>
                    <span className="block text-[0.9rem] text-ink2">
                      {changes.map((change) => changeWords(change, placeName)).join('; ') ||
                        WORDS.daysNamedNothingMoved}
                    </span>
                    {props.outcomes.byId.has(proposed.id) && (
                      <span className="block text-[0.9rem]">
                        {changeOfOutcome(props.outcomes.byId.get(proposed.id)!)}
                      </span>
                    )}
                  </span>
                </label>
              </li>
            );
          })}
        </ul>
      </div>
      <SetPoints house={house} answer={answer} placeName={placeName} />
    </section>
  );
}

/** Most runs over room, and most batches to take as well, named. */
const MOST_NAMED = 3;

/** Taken in part: where that leaves too little room, and what stands there that the plan would have moved. */
function Depends({ house, proposed, moving, chosen, byId, onChoose }: Props) {
  if (proposed.over.length === 0) return null;
  return (
    <div className="note-bar bad" role="status">
      <p className="font-semibold">{WORDS.takenInPartItLeaves}</p>
      <ul>
        {proposed.over.slice(0, MOST_NAMED).map((run) => {
          const inTheWay = moving.filter(
            (m) =>
              !chosen.has(m.id) &&
              byId
                .get(m.id)
                ?.progress.stands.some((s) => s.placeId === run.placeId && s.from < run.to && s.to > run.from),
          );
          return (
            <li key={`${run.placeId}/${run.from}`}>
              {WORDS.overByTo(
                house.places.find((p) => p.id === run.placeId)?.name,
                counted(Math.ceil(run.most_slots), WORDS.traySpace),
                shortDay(run.from),
                shortDay(run.to - 1),
              )}
              {inTheWay.length > 0 && (
                <>
                  {': '}
                  <button
                    type="button"
                    className="link-btn"
                    onClick={() => onChoose(new Set([...chosen, ...inTheWay.map((m) => m.id)]))}
                  >
                    {WORDS.takeAsWell(
                      inTheWay
                        .slice(0, MOST_NAMED)
                        .map((m) => byId.get(m.id)!.batch.name)
                        .join(', '),
                      inTheWay.length > MOST_NAMED && WORDS.andMore(inTheWay.length - MOST_NAMED),
                    )}
                  </button>
                </>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** Taking only what stands, or would stand, in one place; what it leaves in the way of others shows in the comparison. */
function OnlyPlace({ house, moving, byId, onChoose }: Pick<Props, 'house' | 'moving' | 'byId' | 'onChoose'>) {
  const id = useId();
  const standsIn = (placeId: number) =>
    moving.filter(
      (m) =>
        Object.values(m.places).includes(placeId) ||
        byId.get(m.id)?.progress.stands.some((s) => s.placeId === placeId && s.to > house.today),
    );
  return (
    <div className="field my-1 max-w-xs">
      <label htmlFor={id}>{WORDS.onlyWhatStandsIn}</label>
      <select
        id={id}
        className="input"
        value=""
        onChange={(e) => onChoose(new Set(standsIn(Number(e.target.value)).map((m) => m.id)))}
      >
        <option value="" disabled>
          {WORDS.chooseAPlace}
        </option>
        {house.places.map((place) => (
          <option key={place.id} value={place.id}>
            {place.name}: {counted(standsIn(place.id).length, WORDS.batch, WORDS.batches)}
          </option>
        ))}
      </select>
    </div>
  );
}

/** The busiest week before and after, and the hours that are beyond the hands. */
function BusiestWeek({ weeks: [now, proposed] }: { readonly weeks: Props['weeks'] }) {
  const words = (list: readonly WeekWork[]): string => {
    const most = list.reduce<WeekWork | null>((a, b) => (a && a.hours >= b.hours ? a : b), null);
    if (!most) return WORDS.noWork;
    const beyond = list.reduce(
      (sum, { hours, hands_h }) => sum + (hands_h === null ? 0 : Math.max(0, hours - hands_h)),
      0,
    );
    const over = beyond >= 0.05 ? WORDS.hBeyondTheHandsIn(decimal(beyond, 1)) : '';
    return WORDS.hInTheWeekOf(decimal(most.hours, 1), shortDay(most.week), over);
  };
  return (
    <p className="text-[0.92rem]">
      {WORDS.nowProposed(<b key="1">{WORDS.busiestWeek}</b>, words(now), words(proposed))}
    </p>
  );
}

/** Most batches without a way listed one by one. */
const MOST_LISTED = 30;

function SetPoints({
  house,
  answer,
  placeName,
}: {
  house: HouseData;
  answer: PlanAnswer;
  placeName: (id: number) => string;
}) {
  const lines = answer.proposal.setPoints.filter((s) => s.setPoints.length > 0);
  if (lines.length === 0) return null;
  return (
    <div>
      <h3>{WORDS.setPointsByWeek}</h3>
      <ul className="text-[0.92rem]">
        {lines.map(({ placeId, setPoints }) => (
          <li key={placeId} className="border-b border-line py-1">
            {WORDS.from(
              <span key="2" className="font-semibold">
                {placeName(placeId)}
              </span>,
              shortDay(setPoints[0]!.week),
              setPoints.map((s) => (s.setPoint_C === null ? WORDS.off : degrees(s.setPoint_C, house.unit))).join(' '),
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function boundWords({ gap_frac, anyWeeksGap_frac, leftOut_count }: NonNullable<PlanAnswer['bound']>): string {
  const percent = (frac: number) => `${Math.ceil(frac * 100)}%`;
  const within = gap_frac < 0.005 ? WORDS.provedNoPlanThatHeats : WORDS.provedWithinOfTheCheapest(percent(gap_frac));
  if (leftOut_count > 0) return WORDS.mostOfThatIsThe(within, counted(leftOut_count, WORDS.batch, WORDS.batches));
  return anyWeeksGap_frac === null
    ? WORDS.heatingOtherWeeksCouldBe(within)
    : WORDS.whateverWeeksAreHeatedWithin(within, percent(anyWeeksGap_frac));
}

function exactWords({ exact }: PlanAnswer): string {
  if (!exact) return '';
  if (exact.kind === 'too many') return WORDS.tooManyBatchesForThe;
  if (exact.kind === 'proven') return WORDS.ofWaysFoundForThe(exact.plans_count);
  const gap = exact.gap_frac === null ? WORDS.byHowMuchIsNot : WORDS.byAtMost(Math.round(exact.gap_frac * 100));
  return WORDS.ofWaysFoundTheExact(exact.plans_count, gap);
}
