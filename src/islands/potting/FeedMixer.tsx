import { decimal } from '../../ui/numbers.ts';
import { useEffect, useMemo, useState } from 'react';
import { feedFor, rateForNitrogen, type Feed } from '../../core/potting/feed.ts';
import { measureFromShown, shownMeasure } from '../../core/units/measure.ts';
import { house, unitOf, volume } from '../../ui/house.ts';
import { Figure } from '../../ui/Figure.tsx';
import type { FeedToday } from '../../contracts/watering/waterViews.ts';
import { WORDS } from '../../words/en/potting/feedMixer.ts';

interface Props {
  readonly feeds: readonly (Feed & { readonly id: number })[];
  /** Potted so lately that they are not to be fed yet, with the day they may be. */
  readonly resting: readonly { readonly id: number; readonly name: string; readonly until: string }[];
  /** What is fed with the water before tonight. */
  readonly today: FeedToday;
}

const figure = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));
const FRACTIONS = [
  [0.25, WORDS.aQuarter],
  [0.5, WORDS.half],
  [0.75, WORDS.threeQuarters],
  [1, WORDS.full],
] as const;
const rateWords = (rate_perL: number) => Math.round(shownMeasure(rate_perL, 'perL', house().lengthUnit) * 1000) / 1000;
/** Litres as the house types them, a little more rather than less. */
const canOf = (litres: number): string => String(Math.ceil(10 * shownMeasure(litres, 'L', house().lengthUnit)) / 10);
const ppm = (value: number) => `${value < 10 ? Math.round(value * 10) / 10 : Math.round(value)}`;

/** How much feed for this can or tank, how strong it comes out, and who is not to have any yet. */
export function FeedMixer({ feeds, resting, today }: Props) {
  const { lengthUnit } = house();
  const [id, setId] = useState(() => feeds.find((one) => one.id === today.feedId)?.id ?? feeds[0]?.id ?? 0);
  const [fraction, setFraction] = useState(String(today.fraction));
  const [water, setWater] = useState(() =>
    today.litres > 0 ? canOf(today.litres) : lengthUnit === 'in' ? '2.5' : '10',
  );
  const [ratio, setRatio] = useState('');
  const [ec, setEc] = useState('');
  const [wanted, setWanted] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const feed = feeds.find((f) => f.id === id);
  const answer = useMemo(() => {
    if (!feed) return { wrong: WORDS.writeAFeedIntoThe };
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
        <h1>{WORDS.feed}</h1>
        <p className="text-ink2">{WORDS.weakAndLateHalfThe}</p>
        <a className="btn ml-auto" href="/potting/feeds">
          {WORDS.bookOfFeeds}
        </a>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-6 min-[900px]:grid-cols-[360px_minmax(0,1fr)]">
        <div className="flex flex-col gap-3">
          <label className="field">
            <span className="label">{WORDS.feed}</span>
            <select className="input" value={id} onChange={(e) => setId(Number(e.target.value))}>
              {feeds.map((f) => (
                <option key={f.id} value={f.id}>
                  {f.name}
                </option>
              ))}
            </select>
          </label>
          <fieldset className="field">
            <legend className="label">{WORDS.shareOfTheLabelRate}</legend>
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
                aria-label={WORDS.shareOfTheLabelRate2}
                inputMode="decimal"
                value={fraction}
                onChange={(e) => setFraction(e.target.value)}
              />
            </div>
          </fieldset>
          <label className="field">
            <span className="label">
              {ratio.trim() === '' ? WORDS.theCanHolds(unitOf('L')) : WORDS.theStockTankHolds(unitOf('L'))}
            </span>
            <input className="input" inputMode="decimal" value={water} onChange={(e) => setWater(e.target.value)} />
          </label>
          <label className="field">
            <span className="label">{WORDS.injectorPartsOfWaterFor}</span>
            <input
              className="input"
              inputMode="decimal"
              placeholder={WORDS.noInjector}
              value={ratio}
              onChange={(e) => setRatio(e.target.value)}
            />
          </label>
          <label className="field">
            <span className="label">{WORDS.conductivityOfYourWaterMs}</span>
            <input
              className="input"
              inputMode="decimal"
              placeholder={WORDS.notMeasured}
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
                  words={WORDS.ofInto(feed.name, water, unitOf('L'))}
                  size="text-5xl"
                />
                <Figure value={`${ppm(done.n_ppm)} ppm N`} words={WORDS.nitrogenAtThePlants} size="text-2xl" />
                {ratio.trim() !== '' && (
                  <Figure value={volume(Math.round(done.finished_L))} words={WORDS.reachThePlants} />
                )}
              </dl>
              <table className="plain-table mt-4 max-w-xl">
                <caption className="text-left text-ink2">
                  {WORDS.ofFeedThatReachesThe(rateWords(done.rate_perL), done.unit, unitOf('perL'))}
                </caption>
                <thead>
                  <tr>
                    <th>{WORDS.nutrient}</th>
                    <th className="r">{WORDS.asElementPpm}</th>
                    <th className="r">{WORDS.asTheOxidePpm}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr>
                    <td>{WORDS.nitrogenN}</td>
                    <td className="r num">{ppm(done.n_ppm)}</td>
                    <td />
                  </tr>
                  <tr>
                    <td>{WORDS.phosphorusPAndPO}</td>
                    <td className="r num">{ppm(done.p_ppm)}</td>
                    <td className="r">{ppm(done.p2o5_ppm)}</td>
                  </tr>
                  <tr>
                    <td>{WORDS.potassiumKAndKO}</td>
                    <td className="r num">{ppm(done.k_ppm)}</td>
                    <td className="r">{ppm(done.k2o_ppm)}</td>
                  </tr>
                </tbody>
              </table>
              <p className="mt-2 text-ink2">
                {done.ec_mS === null
                  ? WORDS.theLabelGivesNoConductivity
                  : WORDS.aboutMsCmByThe(decimal(done.ec_mS, 1), ec.trim() === '' ? WORDS.inPureWater : '')}
              </p>
              <NitrogenBack feed={feed} wanted={wanted} onWanted={setWanted} />
              <details className="mt-2">
                <summary className="link-btn">{WORDS.whyTheseFigures}</summary>
                <p className="max-w-[60ch] text-[0.9rem] text-ink2">{WORDS.ppmGToALitre}</p>
              </details>
            </>
          )}
          {today.batches.length > 0 && (
            <section className="mt-5" aria-label={WORDS.withTodaysWater}>
              <h2>{WORDS.withTodaysWater}</h2>
              <p>
                {WORDS.batchesAndLitres(today.batches.length, volume(today.litres))}{' '}
                <button type="button" className="link-btn" onClick={() => setWater(canOf(today.litres))}>
                  {WORDS.intoTheCan}
                </button>
              </p>
              <ul>
                {today.batches.map((one) => (
                  <li key={one.id}>
                    <a href={`/batch/${one.id}`}>{one.name}</a>, {volume(one.litres)}
                  </li>
                ))}
              </ul>
              <p className="text-[0.9rem] text-ink2">
                {today.feedId === null ? WORDS.chooseTheUsualFeed : WORDS.takenWhenWatered}
              </p>
            </section>
          )}
          {resting.length > 0 && (
            <section className="mt-5" aria-label={WORDS.notYet}>
              <h2>{WORDS.notToBeFedYet}</h2>
              <ul>
                {resting.map((r) => (
                  <li key={r.id}>
                    {WORDS.restsUntil(
                      <a key="1" href={`/batch/${r.id}`}>
                        {r.name}
                      </a>,
                      r.until,
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )}
          <p className="note-bar mt-5 max-w-[70ch]">{WORDS.theLabelIsTheRule}</p>
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
      words = WORDS.ofTheLabelRate(
        rateWords(rate),
        feed.form === 'powder' ? 'g' : 'mL',
        unitOf('perL'),
        share,
        share > 100 ? WORDS.moreThanTheLabelAllows : '',
      );
    } catch (error) {
      words = (error as Error).message;
    }
  }
  return (
    <p className="mt-3 flex flex-wrap items-center gap-2">
      <label htmlFor="wanted-n">{WORDS.for}</label>
      <input
        id="wanted-n"
        className="input w-20"
        inputMode="decimal"
        value={wanted}
        onChange={(e) => onWanted(e.target.value)}
      />
      <span>{WORDS.ppmOfNitrogen(words || WORDS.typeTheFigureYouWant)}</span>
    </p>
  );
}
