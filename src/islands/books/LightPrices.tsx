import { NEW_LAMPS } from '../../core/plan/schedule/lightChoices.ts';
import type { LightPrice } from '../../contracts/heat/heatViews.ts';
import { counted, monthName } from '../../ui/format.ts';
import { money } from '../../ui/house.ts';
import { WORDS } from '../../words/en/books/lightPrices.ts';

const WHAT: Readonly<Record<LightPrice['key'], string>> = {
  'lamps-new': WORDS.lampsOfMolHoursA(NEW_LAMPS.lamps_umol_m2_s, NEW_LAMPS.lamps_h),
  'lamps-more': WORDS.twoHoursMoreOfLamps,
  'lamps-less': WORDS.twoHoursLessOfLamps,
  'film-on': WORDS.aSecondFilm,
  'film-off': WORDS.withoutTheSecondFilm,
  'shade-off': WORDS.withoutTheShade,
};

/** Other light for a place: what it does to what stands there, and what it costs. */
export function LightPrices({ prices }: { readonly prices: readonly LightPrice[] }) {
  if (prices.length === 0) return null;
  const batches = prices[0]!.batches;
  return (
    <section className="mt-6" aria-label={WORDS.otherLightHere}>
      <h2>{WORDS.otherLightHereAndIts}</h2>
      <p className="max-w-[65ch] text-ink2">
        {WORDS.forThatOnHereThis(
          counted(batches, WORDS.batch, WORDS.batches),
          batches === 1 ? WORDS.grows : WORDS.grow,
        )}
      </p>
      <table className="plain-table mt-1 max-w-[46rem]">
        <thead>
          <tr>
            <th>{WORDS.choice}</th>
            <th>{WORDS.theMiddleBatchIsReady}</th>
            <th>{WORDS.movedMost}</th>
            <th className="r">{WORDS.power}</th>
            <th className="r">{WORDS.money}</th>
          </tr>
        </thead>
        <tbody>
          {prices.map((price) => (
            <tr key={price.key}>
              <td className="font-semibold">{WHAT[price.key]}</td>
              <td>{daysWords(price.days)}</td>
              <td>
                {Math.abs(price.most.days) < 0.5
                  ? WORDS.none
                  : WORDS.in(price.most.name, daysWords(price.most.days), monthName(price.most.month))}
              </td>
              <td className="r">{powerWords(price)}</td>
              <td className="r">{signed(price.money, money)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 max-w-[65ch] text-[0.9rem] text-ink2">{WORDS.lampsAsLedOverAll}</p>
    </section>
  );
}

/** "4 days sooner", "3 days later". */
function daysWords(days: number): string {
  if (days === Infinity) return WORDS.never;
  const whole = Math.round(Math.abs(days));
  return whole === 0 ? WORDS.theSameDay : WORDS.byDays(counted(whole, WORDS.day), days < 0);
}

const signed = (n: number, words: (n: number) => string): string =>
  Math.abs(n) < 0.005 ? WORDS.nothing : n < 0 ? WORDS.less(words(-n)) : words(n);

function powerWords({ lamps_kWh, heat_kWh }: LightPrice): string {
  const all = lamps_kWh + heat_kWh;
  return Math.abs(all) < 0.5 ? WORDS.none : WORDS.kwh(Math.round(Math.abs(all)), all < 0 ? WORDS.less2 : '');
}
