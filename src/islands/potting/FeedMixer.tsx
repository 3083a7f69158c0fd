import { decimal } from '../../ui/numbers.ts';
import { useEffect, useMemo, useState } from 'react';
import { feedFor, rateForNitrogen, type Feed } from '../../core/potting/feed.ts';
import { measureFromShown, shownMeasure } from '../../core/units/measure.ts';
import { house, unitOf, volume } from '../../ui/house.ts';
import { Figure } from '../../ui/Figure.tsx';

interface Props {
  readonly feeds: readonly (Feed & { readonly id: number })[];
  /** Potted so lately that they are not to be fed yet, with the day they may be. */
  readonly resting: readonly { readonly id: number; readonly name: string; readonly until: string }[];
}

const figure = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
const FRACTIONS = [
  [0.25, 'a quarter'],
  [0.5, 'half'],
  [0.75, 'three quarters'],
  [1, 'full'],
] as const;
const rateWords = (rate_perL: number) => Math.round(shownMeasure(rate_perL, 'perL', house().lengthUnit) * 1000) / 1000;
const ppm = (value: number) => `${value < 10 ? Math.round(value * 10) / 10 : Math.round(value)}`;

/** How much feed for this can or tank, how strong it comes out, and who is not to have any yet. */
export function FeedMixer({ feeds, resting }: Props) {
  const { lengthUnit } = house();
  const [id, setId] = useState(feeds[0]?.id ?? 0);
  const [fraction, setFraction] = useState('0.5');
  const [water, setWater] = useState(lengthUnit === 'in' ? '2.5' : '10');
  const [ratio, setRatio] = useState('');
  const [ec, setEc] = useState('');
  const [wanted, setWanted] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const feed = feeds.find((f) => f.id === id);
  const answer = useMemo(() => {
    if (!feed) return { wrong: 'Write a feed into the book first.' };
    try {
      return {
        done: feedFor(feed, {
          fraction: figure(fraction),
          water_L: measureFromShown(figure(water), 'L', lengthUnit),
          injector: ratio.trim() === '' ? null : figure(ratio),
          water_mS: ec.trim() === '' ? 0 : figure(ec),
        }),
      };
    } catch (error) {
      return { wrong: (error as Error).message };
    }
  }, [feed, fraction, water, ratio, ec, lengthUnit]);
  const { done } = answer;

  return (
    <div data-ready={ready} data-typing>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>Feed</h1>
        <p className="text-ink2">weak and late: half the label rate, and not while plants rest after potting</p>
        <a className="btn ml-auto" href="/potting/feeds">
          Book of feeds
        </a>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-6 min-[900px]:grid-cols-[360px_minmax(0,1fr)]">
        <div className="flex flex-col gap-3">
          <label className="field">
            <span className="label">Feed</span>
            <select className="input" value={id} onChange={(e) => setId(Number(e.target.value))}>
              {feeds.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
            </select>
          </label>
          <fieldset className="field">
            <legend className="label">Share of the label rate</legend>
            <div className="flex flex-wrap gap-1.5">
              {FRACTIONS.map(([value, words]) => (
                <button
                  key={value}
                  type="button"
                  className="btn"
                  aria-pressed={figure(fraction) === value}
                  onClick={() => setFraction(String(value))}
                >
                  {words}
                </button>
              ))}
              <input
                className="input w-20"
                aria-label="Share of the label rate, as a figure"
                inputMode="decimal"
                value={fraction}
                onChange={(e) => setFraction(e.target.value)}
              />
            </div>
          </fieldset>
          <label className="field">
            <span className="label">
              {ratio.trim() === '' ? `The can holds, ${unitOf('L')}` : `The stock tank holds, ${unitOf('L')}`}
            </span>
            <input className="input" inputMode="decimal" value={water} onChange={(e) => setWater(e.target.value)} />
          </label>
          <label className="field">
            <span className="label">Injector: parts of water for one of stock</span>
            <input
              className="input"
              inputMode="decimal"
              placeholder="no injector"
              value={ratio}
              onChange={(e) => setRatio(e.target.value)}
            />
          </label>
          <label className="field">
            <span className="label">Conductivity of your water, mS/cm</span>
            <input
              className="input"
              inputMode="decimal"
              placeholder="not measured"
              value={ec}
              onChange={(e) => setEc(e.target.value)}
            />
          </label>
        </div>
        <div>
          {answer.wrong && (
            <p role="alert" className="note-bar bad">
              {answer.wrong}
            </p>
          )}
          {done && feed && (
            <>
              <dl className="flex flex-wrap items-end gap-x-10 gap-y-4" aria-live="polite">
                <Figure
                  value={`${done.amount < 10 ? Math.round(done.amount * 10) / 10 : Math.round(done.amount)} ${done.unit}`}
                  words={`of ${feed.name} into ${water} ${unitOf('L')}`}
                  size="text-5xl"
                />
                <Figure value={`${ppm(done.n_ppm)} ppm N`} words="nitrogen at the plants" size="text-2xl" />
                {ratio.trim() !== '' && <Figure value={volume(Math.round(done.finished_L))} words="reach the plants" />}
              </dl>
              <table className="plain-table mt-4 max-w-xl">
                <caption className="text-left text-ink2">
                  Of feed, {rateWords(done.rate_perL)} {done.unit} {unitOf('perL')} that reaches the plants
                </caption>
                <thead>
                  <tr>
                    <th>Nutrient</th>
                    <th className="r">As element, ppm</th>
                    <th className="r">As the oxide, ppm</th>
                  </tr>
                </thead>
                <tbody>
                  <tr>
                    <td>Nitrogen, N</td>
                    <td className="r num">{ppm(done.n_ppm)}</td>
                    <td />
                  </tr>
                  <tr>
                    <td>Phosphorus, P and P₂O₅</td>
                    <td className="r num">{ppm(done.p_ppm)}</td>
                    <td className="r">{ppm(done.p2o5_ppm)}</td>
                  </tr>
                  <tr>
                    <td>Potassium, K and K₂O</td>
                    <td className="r num">{ppm(done.k_ppm)}</td>
                    <td className="r">{ppm(done.k2o_ppm)}</td>
                  </tr>
                </tbody>
              </table>
              <p className="mt-2 text-ink2">
                {done.ec_mS === null
                  ? 'The label gives no conductivity, so none is guessed: measure it.'
                  : `About ${decimal(done.ec_mS, 1)} mS/cm by the label${ec.trim() === '' ? ', in pure water' : ''}; measure to be sure.`}
              </p>
              <NitrogenBack feed={feed} wanted={wanted} onWanted={setWanted} />
              <details className="mt-2">
                <summary className="link-btn">Why these figures</summary>
                <p className="max-w-[60ch] text-[0.9rem] text-ink2">
                  ppm = g to a litre × 10 × per cent: 1 g/L of a 20% feed is 200 ppm. P = 0.4364 P₂O₅ and K = 0.8301
                  K₂O, by atomic weights. A tank holds the rate times what it makes.
                </p>
              </details>
            </>
          )}
          {resting.length > 0 && (
            <section className="mt-5" aria-label="Not yet">
              <h2>Not to be fed yet</h2>
              <ul>
                {resting.map((r) => (
                  <li key={r.id}>
                    <a href={`/batch/${r.id}`}>{r.name}</a> rests until {r.until}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <p className="note-bar mt-5 max-w-[70ch]">
            The label is the rule: follow its rate, its cautions and its crops, wear what it asks for, never mix feeds
            it does not name together, and keep feed out of drains and drinking water (a backflow preventer on every
            injector, as your local code asks).
          </p>
        </div>
      </div>
    </div>
  );
}

function NitrogenBack({
  feed,
  wanted,
  onWanted,
}: {
  readonly feed: Feed;
  readonly wanted: string;
  readonly onWanted: (text: string) => void;
}) {
  const n = figure(wanted);
  let words = '';
  if (Number.isFinite(n)) {
    try {
      const rate = rateForNitrogen(feed, n);
      const share = Math.round((100 * rate) / feed.rate_perL);
      words = `${rateWords(rate)} ${feed.form === 'powder' ? 'g' : 'mL'} ${unitOf('perL')}, ${share}% of the label rate${share > 100 ? ': more than the label allows' : ''}`;
    } catch (error) {
      words = (error as Error).message;
    }
  }
  return (
    <p className="mt-3 flex flex-wrap items-center gap-2">
      <label htmlFor="wanted-n">For</label>
      <input
        id="wanted-n"
        className="input w-20"
        inputMode="decimal"
        value={wanted}
        onChange={(e) => onWanted(e.target.value)}
      />
      <span>ppm of nitrogen: {words || 'type the figure you want'}</span>
    </p>
  );
}
