import { counted } from '../../ui/format.ts';
import { money } from '../../ui/house.ts';
import { SURE, sureWords } from '../../ui/sureWords.ts';
import { WORDS } from '../../words/en/plan/howSure.ts';

/** A plan as it was made for one degree of sureness. */
export interface SureTried {
  readonly sure_frac: number;
  readonly heat_kWh: number;
  readonly heat_money: number;
  /** Mean of its sowing days, so that two can be laid side by side. */
  readonly sown: number | null;
}

interface Props {
  readonly sure_frac: number;
  readonly tried: readonly SureTried[];
  readonly busy: boolean;
  readonly onPlan: (sure_frac: number) => void;
}

/** How sure the plan shown is, others a press away, and what each costs in heat and days. */
export function HowSure({ sure_frac, tried, busy, onPlan }: Props) {
  const now = tried.find((one) => one.sure_frac === sure_frac);
  return (
    <section aria-label={WORDS.howSure}>
      <h3>{WORDS.howSure}</h3>
      <p className="text-[0.92rem]">{WORDS.plannedSoThatIsReady(<b key="1">{sureWords(sure_frac)}</b>)}</p>
      <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label={WORDS.planForAnotherSureness}>
        {SURE.map(([frac, words]) => (
          <button
            key={frac}
            type="button"
            className={`btn small ${frac === sure_frac ? 'solid' : ''}`}
            aria-pressed={frac === sure_frac}
            disabled={busy}
            onClick={() => onPlan(frac)}
          >
            {words}
          </button>
        ))}
      </div>
      <ul className="mt-1 text-[0.92rem]">
        {tried
          .filter((one) => one !== now)
          .map((one) => (
            <li key={one.sure_frac}>
              {sureWords(one.sure_frac)}: {now ? against(one, now) : WORDS.kwh(Math.round(one.heat_kWh))}
            </li>
          ))}
      </ul>
    </section>
  );
}

/** "12 kWh less, €3.10 less, sown 4 days later". */
function against(one: SureTried, now: SureTried): string {
  const kWh = Math.round(one.heat_kWh - now.heat_kWh);
  const heat =
    kWh === 0
      ? WORDS.asMuchHeat
      : WORDS.kwh2(Math.abs(kWh), kWh > 0 ? WORDS.more : WORDS.less, money(Math.abs(one.heat_money - now.heat_money)));
  if (one.sown === null || now.sown === null) return heat;
  const days = Math.round(one.sown - now.sown);
  return WORDS.sownOnTheMean(
    heat,
    days === 0 ? WORDS.onTheSameDays : `${counted(Math.abs(days), WORDS.day)} ${days > 0 ? 'later' : 'sooner'}`,
  );
}
