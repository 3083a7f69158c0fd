import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Crop } from '../../core/books/crop.ts';
import type { Stage } from '../../core/plan/stage.ts';
import { milestoneOf, MILESTONE_WORDS, startOf } from '../../core/plan/schedule/chain.ts';
import type { Outlook as OutlookRecord } from '../../core/plan/schedule/outlook.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { ChainList } from '../../ui/ChainList.tsx';
import { counted, dayNight, fillText, spokenDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/batch/outlook.ts';

interface Props {
  readonly crop: Crop | null;
  readonly plan: BatchPlan | null;
  readonly ahead: OutlookRecord | null;
  readonly house: HouseData;
  readonly onPlace: (stage: Stage, placeId: number) => void;
  readonly onDate: (day: number) => void;
}

/** What a batch would be: sowing day large, the chain with its reasons, the rule of weeks beside it, warnings with ways out. */
export function Outlook({ crop, plan, ahead, house, onPlace, onDate }: Props) {
  if (!crop || !plan || !ahead) {
    return (
      <div className="card self-start text-ink2">
        <p>{WORDS.typeACropAndThe}</p>
      </div>
    );
  }
  const { today, unit } = house;
  const say = (text: string, day: number | null, temperatures: readonly number[]) =>
    fillText(text, day, temperatures, unit, today);
  const chain = ahead.plan;
  const earliest = ahead.earliestTransplantOn;
  return (
    <section className="card self-start" aria-label={WORDS.chainOfDates} aria-live="polite">
      {chain.kind === 'chain' ? (
        <>
          <p className="text-ink2">{MILESTONE_WORDS[startOf(chain).key]}</p>
          <p className="num text-4xl">{spokenDay(startOf(chain).day, today)}</p>
          {plan.joins ? (
            <p className="mt-1">
              {WORDS.boughtInReadyToGo(
                plan.joins.stage === 'pot' ? WORDS.readyForThePot : WORDS.toGrowOn,
                spokenDay(milestoneOf(chain, 'plant')!.day, today),
              )}
            </p>
          ) : (
            <p className="mt-1">
              {WORDS.theRuleOfWeeksSays(
                spokenDay(ahead.ruleSowOn, today),
                <strong key="1">{ruleWords(ahead.laterThanRule_days!)}</strong>,
              )}
            </p>
          )}
        </>
      ) : (
        <div className="note-bar bad" role="alert">
          <p className="font-semibold">{WORDS.thisCannotBeReached}</p>
          <p>
            {house.places.find((p) => p.id === chain.placeId)?.name ?? WORDS.noPlace}: {chain.reason}.
          </p>
          {ahead.wouldDo.length > 0 && (
            <p className="mt-2 flex flex-wrap items-center gap-2">
              {WORDS.theseWouldDo}
              {ahead.wouldDo.slice(0, 3).map((fit) => (
                <button
                  key={fit.placeId}
                  type="button"
                  className="btn small"
                  onClick={() => onPlace(chain.stage, fit.placeId)}
                >
                  {fit.name}, {dayNight(fit.day_C, fit.night_C, unit)}
                </button>
              ))}
            </p>
          )}
        </div>
      )}
      {ahead.warnings.length > 0 && (
        <ul className="mt-3 flex flex-col gap-2">
          {ahead.warnings.map((warning, i) => (
            <li key={i} className="note-bar bad">
              {say(warning.text, warning.day, warning.temperatures_C)}
              {warning.code === 'frost' && warning.day !== null && (
                <button type="button" className="btn small ml-2" onClick={() => onDate(warning.day!)}>
                  {WORDS.takeThatDay}
                </button>
              )}
              {warning.code === 'past' && earliest !== null && (
                <button type="button" className="btn small ml-2" onClick={() => onDate(earliest)}>
                  {WORDS.earliestOut(spokenDay(earliest, today))}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {chain.kind === 'unreachable' && earliest !== null && (
        <p className="mt-2">
          {WORDS.sownTodayItCouldGo}
          <button type="button" className="btn small" onClick={() => onDate(earliest)}>
            {spokenDay(earliest, today)}
          </button>
        </p>
      )}
      {chain.kind === 'chain' && (
        <div className="mt-3">
          <ChainList chain={chain} places={plan.places} placeList={house.places} today={today} unit={unit} />
          <p className="mt-2 text-[0.92rem] text-ink2">{WORDS.pressADateForIts}</p>
        </div>
      )}
    </section>
  );
}

function ruleWords(later_days: number): string {
  if (later_days === 0) return WORDS.theSameDay;
  return later_days > 0
    ? WORDS.youMaySowLaterYour(counted(later_days, WORDS.day))
    : WORDS.sowSoonerYourPlacesAre(counted(-later_days, WORDS.day));
}
