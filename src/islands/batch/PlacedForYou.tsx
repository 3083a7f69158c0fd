import type { PlaceAnswer } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { windowOf } from '../../core/batch/tolerance.ts';
import { ALL_STAGES, placeOfStage, type Stage } from '../../core/plan/stage.ts';
import { type BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Missing, NewWay } from '../../core/plan/placement/placeNew.ts';
import { counted, degrees, lateness, shortDay, spokenDay } from '../../ui/format.ts';
import { priceWords } from '../../ui/priceWords.ts';
import { WORDS } from '../../words/en/batch/placedForYou.ts';

const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  germinate: WORDS.toGerminate,
  grow: WORDS.toGrowOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.toHardenOff,
};

interface Props {
  readonly house: HouseData;
  readonly plan: BatchPlan;
  /** null: being worked out. */
  readonly answer: PlaceAnswer | null;
  readonly asking: boolean;
  readonly chosen: NewWay | null;
  readonly onDate: (day: number) => void;
  readonly onChoose: (way: NewWay) => void;
  readonly onByHand: () => void;
}

/** Where the planner would put a new batch, what that costs, and other ways a tap away. */
export function PlacedForYou({ house, plan, answer, asking, chosen, onDate, onChoose, onByHand }: Props) {
  if (!answer)
    return (
      <p className="text-ink2" role="status">
        {asking ? WORDS.lookingForPlacesBesideWhat : WORDS.placesNotLookedFor}{' '}
        <button type="button" className="link-btn" onClick={onByHand}>
          {WORDS.chooseThePlacesMyself}
        </button>
      </p>
    );
  const { ways, missing, fits_frac } = answer.placed;
  const late = chosen !== null && chosen.late_days > windowOf(plan).after_days;
  const lacking = ways[0]?.lacks ?? [];
  return (
    <section aria-label={WORDS.placedForYou} className="flex flex-col gap-2" aria-live="polite">
      <h2 className="text-lg">{WORDS.placedForYou}</h2>
      {ways.length === 0 && <NoWay house={house} missing={missing} />}
      {ways.map((way, i) => (
        <button
          key={i}
          type="button"
          className={`card flex min-h-12 cursor-pointer flex-col gap-0.5 px-3 py-2 text-left ${way === chosen ? '!border-plum !border-2' : ''}`}
          aria-pressed={way === chosen}
          onClick={() => onChoose(way)}
        >
          <span className="font-semibold">{wayWords(way, house)}</span>
          <span className="text-[0.95rem] text-ink2">{wayPrice(way, house, plan)}</span>
        </button>
      ))}
      {late && (
        <p className="note-bar bad">
          {WORDS.itCannotBeReadyBy(shortDay(plan.transplantOn + windowOf(plan).after_days))}
          <button type="button" className="btn small" onClick={() => onDate(chosen.out)}>
            {WORDS.outTakeThatDay(shortDay(chosen.out))}
          </button>
        </p>
      )}
      {lacking.length > 0 && (
        <div className="note-bar bad" role="alert">
          <p className="font-semibold">{WORDS.thereIsNoRoomFor}</p>
          <ul>
            {lacking.slice(0, 4).map((lack, i) => (
              <li key={i}>
                {WORDS.isShortTo(
                  nameOf(house, lack.placeId),
                  counted(Math.ceil(lack.slots), WORDS.traySpace),
                  shortDay(lack.from),
                  shortDay(lack.to - 1),
                )}
              </li>
            ))}
          </ul>
          <p>{fits_frac === null ? WORDS.notEvenATenthOf : WORDS.aboutOfItWouldFit(Math.round(fits_frac * 100))}</p>
        </div>
      )}
      <p>
        <button type="button" className="link-btn" onClick={onByHand}>
          {WORDS.chooseThePlacesMyself}
        </button>
      </p>
    </section>
  );
}

function NoWay({ house, missing }: { readonly house: HouseData; readonly missing: readonly Missing[] }) {
  return (
    <div className="note-bar bad" role="alert">
      <p className="font-semibold">{WORDS.noWayToThisDate}</p>
      {missing.length === 0 && <p>{WORDS.tooLittleTimeIsLeft}</p>}
      <ul>
        {missing.map(({ stage, low_C, high_C, from, to, nearest }) => (
          <li key={stage}>
            {nearest === null
              ? WORDS.noPlaceIsOfA(STAGE_WORDS[stage])
              : WORDS.toEveryPlaceIsToo(
                  STAGE_WORDS[stage][0]!.toUpperCase(),
                  STAGE_WORDS[stage].slice(1),
                  shortDay(from),
                  shortDay(to),
                  nearest.why,
                  nameOf(house, nearest.placeId),
                  degrees(nearest.temperature_C, house.unit),
                  nearest.why === 'cold'
                    ? WORDS.nightsOfOrMore(degrees(low_C, house.unit))
                    : WORDS.daysOfOrLess(degrees(high_C, house.unit)),
                )}
          </li>
        ))}
      </ul>
    </div>
  );
}

const nameOf = (house: HouseData, id: number) => house.places.find((p) => p.id === id)?.name ?? 'A place';

/** "Lit chamber, then Bench 2, then Frames". */
function wayWords({ proposed }: NewWay, house: HouseData): string {
  const names = ALL_STAGES.filter(
    (stage) => proposed.steps[STEP[stage]] !== undefined || stage === 'germinate',
  ).flatMap((stage) => {
    const id = placeOfStage(proposed.places, stage);
    return id === null ? [] : [nameOf(house, id)];
  });
  return names.filter((name, i) => name !== names[i - 1]).join(', then ');
}
const STEP = { germinate: 'sow', grow: 'off-heat', pot: 'pot', space: 'space', harden: 'harden' } as const;

/** Days, heat with money, trays carried: in the words every price of a plan has. */
function wayPrice(way: NewWay, house: HouseData, plan: BatchPlan): string {
  const { before_days, after_days } = windowOf(plan);
  const inDays = way.late_days !== 0 && way.late_days <= after_days && -way.late_days <= before_days;
  const { sow } = way.proposed.steps;
  return [
    ...(sow === undefined ? [] : [WORDS.sow(spokenDay(sow, house.today))]),
    WORDS.out(shortDay(way.out), inDays ? WORDS.withinItsDays : lateness(way.late_days)),
    priceWords({ ...way, later_days: 0, atRisk_count: 0 }),
  ].join(' · ');
}
