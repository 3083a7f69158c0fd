import { NEW_LAMPS } from '../../core/plan/schedule/lightChoices.ts';
import type { LightPrice } from '../../contracts/heat/heatViews.ts';
import { counted, monthName } from '../../ui/format.ts';
import { money } from '../../ui/house.ts';

const WHAT: Readonly<Record<LightPrice['key'], string>> = {
  'lamps-new': `Lamps of ${NEW_LAMPS.lamps_umol_m2_s} µmol, ${NEW_LAMPS.lamps_h} hours a day`,
  'lamps-more': 'Two hours more of lamps',
  'lamps-less': 'Two hours less of lamps',
  'film-on': 'A second film',
  'film-off': 'Without the second film',
  'shade-off': 'Without the shade',
};

/** Other light for a place: what it does to what stands there, and what it costs. */
export function LightPrices({ prices }: { readonly prices: readonly LightPrice[] }) {
  if (prices.length === 0) return null;
  const batches = prices[0]!.batches;
  return (
    <section className="mt-6" aria-label="Other light here">
      <h2>Other light here, and its price</h2>
      <p className="max-w-[65ch] text-ink2">
        For {counted(batches, 'batch', 'batches')} that {batches === 1 ? 'grows' : 'grow'} on here this season, sown on
        the same day.
      </p>
      <table className="plain-table mt-1 max-w-[46rem]">
        <thead>
          <tr>
            <th>Choice</th>
            <th>The middle batch is ready</th>
            <th>Moved most</th>
            <th className="r">Power</th>
            <th className="r">Money</th>
          </tr>
        </thead>
        <tbody>
          {prices.map((price) => (
            <tr key={price.key}>
              <td className="font-semibold">{WHAT[price.key]}</td>
              <td>{daysWords(price.days)}</td>
              <td>
                {Math.abs(price.most.days) < 0.5
                  ? 'none'
                  : `${price.most.name}, ${daysWords(price.most.days)} in ${monthName(price.most.month)}`}
              </td>
              <td className="r">{powerWords(price)}</td>
              <td className="r">{signed(price.money, money)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 max-w-[65ch] text-[0.9rem] text-ink2">
        Lamps as LED over all the room of the place; tubes take twice as much. A film counts for the heat of a heated
        house. More light for the warmth also keeps plants short.
      </p>
    </section>
  );
}

/** "4 days sooner", "3 days later". */
function daysWords(days: number): string {
  if (days === Infinity) return 'never';
  const whole = Math.round(Math.abs(days));
  return whole === 0 ? 'the same day' : `${counted(whole, 'day')} ${days < 0 ? 'sooner' : 'later'}`;
}

const signed = (n: number, words: (n: number) => string): string =>
  Math.abs(n) < 0.005 ? 'nothing' : n < 0 ? `${words(-n)} less` : words(n);

function powerWords({ lamps_kWh, heat_kWh }: LightPrice): string {
  const all = lamps_kWh + heat_kWh;
  return Math.abs(all) < 0.5 ? 'none' : `${Math.round(Math.abs(all))} kWh${all < 0 ? ' less' : ''}`;
}
