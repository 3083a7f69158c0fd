import { decimal } from '../../ui/numbers.ts';
import { useEffect, useId, useMemo, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { figureOr, type FieldSpec, type Typed, type Units } from '../../ui/kit/fields.ts';
import { FormRows } from '../../ui/kit/FormRows.tsx';
import { OneField } from '../../ui/kit/OneField.tsx';
import { useTypedForm } from '../../ui/kit/useTypedForm.ts';
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

/** A can, where nothing is due. */
const USUAL_CAN_L = 10;
const FRACTIONS = [
  [0.25, WORDS.aQuarter],
  [0.5, WORDS.half],
  [0.75, WORDS.threeQuarters],
  [1, WORDS.full],
] as const;
const rateWords = (rate_perL: number) => Math.round(shownMeasure(rate_perL, 'perL', house().lengthUnit) * 1000) / 1000;
/** Litres as the house types them, a little more rather than less. */
const shownLitres = (litres: number): number => Math.ceil(10 * shownMeasure(litres, 'L', house().lengthUnit)) / 10;
const roundedUp_L = (litres: number): number => measureFromShown(shownLitres(litres), 'L', house().lengthUnit);
const ppm = (value: number) => `${value < 10 ? Math.round(value * 10) / 10 : Math.round(value)}`;

const UNITS = (): Units => ({ temperature: house().unit, length: house().lengthUnit });

/** How much feed for this can or tank, how strong it comes out, and who is not to have any yet. */
export function FeedMixer({ feeds, resting, today }: Props) {
  const id = useId();
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const start = {
    feedId: (feeds.find((one) => one.id === today.feedId) ?? feeds[0])?.id ?? null,
    fraction: today.fraction,
    water_L: today.litres > 0 ? roundedUp_L(today.litres) : USUAL_CAN_L,
    injector: null,
    water_mS: null,
  };
  const fields = (injector: boolean): FieldSpec[] => [
    { key: 'feedId', label: WORDS.feed, kind: 'link', options: feeds.map((f) => [f.id, f.name] as const) },
    { key: 'fraction', label: WORDS.shareOfTheLabelRate, kind: 'number', hint: WORDS.words05IsHalf },
    {
      key: 'water_L',
      label: injector ? WORDS.theStockTankHolds : WORDS.theCanHolds,
      kind: 'number',
      measure: 'L',
    },
    { key: 'injector', label: WORDS.injectorPartsOfWaterFor, kind: 'number', optional: true, hint: WORDS.noInjector },
    {
      key: 'water_mS',
      label: WORDS.conductivityOfYourWaterMs,
      kind: 'number',
      optional: true,
      hint: WORDS.notMeasured,
    },
  ];
  const { form, bodyOf, error } = useTypedForm({
    ...{ fields: fields(false), start, units: UNITS(), draft: null, version: 0 },
  });
  const typed = useWatch({ control: form.control });
  const values = bodyOf(typed as Typed);
  const { feedId, fraction, water_L, injector, water_mS } = values;
  const feed = feeds.find((f) => f.id === feedId);
  const answer = useMemo(() => {
    if (!feed) return { wrong: WORDS.writeAFeedIntoThe };
    const number = (value: unknown): number => (typeof value === 'number' ? value : NaN);
    try {
      return {
        done: feedFor(feed, {
          fraction: number(fraction),
          water_L: number(water_L),
          injector: injector === null ? null : number(injector),
          water_mS: water_mS === null ? 0 : number(water_mS),
        }),
      };
    } catch (problem) {
      return { wrong: (problem as Error).message };
    }
  }, [feed, fraction, water_L, injector, water_mS]);
  const { done } = answer;
  const put = (key: string, value: number) => form.setValue(key, String(value), { shouldDirty: true });

  const rows = (some: readonly FieldSpec[]) => (
    <FormRows id={id} form={form} fields={some} units={UNITS()} error={error} columns="grid grid-cols-1 gap-3" />
  );

  return (
    <div data-ready={ready} data-typing={form.formState.isDirty ? true : undefined}>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>{WORDS.feed}</h1>
        <p className="text-ink2">{WORDS.weakAndLateHalfThe}</p>
        <a className="btn ml-auto" href="/potting/feeds">
          {WORDS.bookOfFeeds}
        </a>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-6 min-[900px]:grid-cols-[360px_minmax(0,1fr)]">
        <div className="flex flex-col gap-3">
          {rows(fields(injector !== null).slice(0, 2))}
          <div role="group" aria-label={WORDS.shareOfTheLabelRate} className="flex flex-wrap gap-1.5">
            {FRACTIONS.map(([value, words]) => (
              <button
                key={value}
                type="button"
                className="btn"
                aria-pressed={fraction === value}
                onClick={() => put('fraction', value)}
              >
                {words}
              </button>
            ))}
          </div>
          {rows(fields(injector !== null).slice(2))}
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
                  words={WORDS.ofInto(
                    feed.name,
                    volume(done.finished_L / (typeof injector === 'number' ? injector : 1)),
                  )}
                  size="text-5xl"
                />
                <Figure value={`${ppm(done.n_ppm)} ppm N`} words={WORDS.nitrogenAtThePlants} size="text-2xl" />
                {injector !== null && (
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
                  : WORDS.aboutMsCmByThe(decimal(done.ec_mS, 1), water_mS === null ? WORDS.inPureWater : '')}
              </p>
              <NitrogenBack feed={feed} />
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
                <button type="button" className="link-btn" onClick={() => put('water_L', shownLitres(today.litres))}>
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

function NitrogenBack({ feed }: { readonly feed: Feed }) {
  const id = useId();
  const [wanted, setWanted] = useState('');
  const n = figureOr(wanted, (ppm) => ppm);
  let words = '';
  if (typeof n === 'number') {
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
    <div className="mt-3 max-w-72">
      <OneField
        id={id}
        field={{ key: 'n_ppm', label: WORDS.forNitrogen, kind: 'number', hint: words || WORDS.typeTheFigureYouWant }}
        value={wanted}
        error={undefined}
        onChange={(text) => setWanted(String(text))}
      />
    </div>
  );
}
