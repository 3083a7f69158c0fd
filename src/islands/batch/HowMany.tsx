import { decimal } from '../../ui/numbers.ts';
import { money, volume } from '../../ui/house.ts';
import { Figure } from '../../ui/Figure.tsx';
import { useEffect, useId, useMemo, useState } from 'react';
import { oddsOf, seedsToSow, type SeedsAnswer, type SeedsQuestion } from '../../core/batch/seedsToSow.ts';
import { mixLitres, seedSupply } from '../../core/books/seedSupply.ts';
import { trouble } from '../../ui/call.ts';
import { writeNow } from '../../ui/kit/data.ts';
import { Chart } from '../../ui/kit/Chart.tsx';
import { counted } from '../../ui/format.ts';
import { odds } from '../germination/words.ts';
import { WORDS } from '../../words/en/batch/howMany.ts';

export interface HowManyProps {
  readonly batchId: number;
  readonly version: number;
  readonly name: string;
  readonly plantsWanted: number;
  readonly cellsNow: number;
  readonly planned: boolean;
  readonly germination_frac: number;
  readonly germinationFrom: string;
  readonly field_frac: number;
  /** Seeds the share is known from. */
  readonly behind_seeds: number;
  readonly seedBalls: boolean;
  readonly container: {
    readonly name: string;
    readonly kind: string;
    readonly cells: number;
    readonly volume_L: number;
  };
  readonly lot: {
    readonly code: string;
    readonly seeds_count: number | null;
    readonly thousandSeed_g: number | null;
    readonly packet_seeds: number | null;
    readonly packet_price: number | null;
  } | null;
}

const CONFIDENCES = [0.5, 0.8, 0.9, 0.95, 0.99];

/** How many to sow so that enough good plants remain, with the odds drawn. */
export function HowMany(props: HowManyProps) {
  const { plantsWanted, cellsNow, container, lot } = props;
  const id = useId();
  const [confidence, setConfidence] = useState(0.9);
  const [germination, setGermination] = useState(percent(props.germination_frac));
  const [field, setField] = useState(percent(props.field_frac));
  const [losses, setLosses] = useState('3');
  const [culls, setCulls] = useState('5');
  const [perCell, setPerCell] = useState('1');
  const [teased, setTeased] = useState('0');
  const [said, setSaid] = useState('');
  const [ready, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  const seedTray = container.kind === 'seed-tray';
  const question: SeedsQuestion = {
    plantsWanted,
    confidence,
    germination_frac: figure(germination) / 100,
    field_frac: figure(field) / 100,
    loss_frac: figure(losses) / 100,
    cull_frac: figure(culls) / 100,
    seedsPerCell: seedTray ? 1 : figure(perCell),
    teased_frac: figure(teased) / 100,
    behind_seeds: props.behind_seeds,
  };
  const text = JSON.stringify(question);
  const { answer, wrong } = useMemo((): { answer: SeedsAnswer | null; wrong: string } => {
    try {
      return { answer: seedsToSow(JSON.parse(text) as SeedsQuestion), wrong: '' };
    } catch (error) {
      return { answer: null, wrong: error instanceof RangeError ? error.message : WORDS.typeFigures };
    }
  }, [text]);
  const asNow = useMemo(() => {
    try {
      return oddsOf(JSON.parse(text) as SeedsQuestion, cellsNow);
    } catch {
      return null;
    }
  }, [text, cellsNow]);
  const trays = answer ? answer.cells / container.cells : 0;
  const whole = Math.ceil(trays - 1e-9);
  const supply = answer
    ? seedSupply(
        answer.seeds,
        lot?.thousandSeed_g ?? null,
        lot && { seeds: lot.packet_seeds, grams: null, price: lot.packet_price },
      )
    : null;

  async function use(cells: number): Promise<void> {
    const spare_frac = cells / plantsWanted - 1;
    const done = await writeNow('PATCH', `/api/batch/${props.batchId}`, { version: props.version, spare_frac });
    if (done.kind === 'done') location.assign('/germination/sheet');
    else setSaid(trouble(done));
  }

  return (
    <div
      data-ready={ready}
      className="grid grid-cols-1 gap-8 min-[900px]:grid-cols-[minmax(0,360px)_minmax(0,1fr)]"
      data-typing
    >
      <section aria-label={WORDS.whatItDependsOn}>
        <div className="field">
          <span className="label" id={`${id}c`}>
            {WORDS.sureOfGoodPlants(plantsWanted)}
          </span>
          <div className="flex flex-wrap gap-2" role="group" aria-labelledby={`${id}c`}>
            {CONFIDENCES.map((c) => (
              <button
                key={c}
                type="button"
                className={`btn ${c === confidence ? 'solid' : ''}`}
                aria-pressed={c === confidence}
                onClick={() => setConfidence(c)}
              >
                {WORDS.in100(Math.round(100 * c))}
              </button>
            ))}
          </div>
        </div>
        <div className="mt-4 grid grid-cols-2 gap-3">
          <Percent
            label={props.seedBalls ? WORDS.sproutsTo100SeedBalls : WORDS.germination}
            hint={props.germinationFrom}
            value={germination}
            onValue={setGermination}
          />
          <Percent label={WORDS.inYourMixOfThe} value={field} onValue={setField} />
          <Percent label={WORDS.lostBeforePotting} value={losses} onValue={setLosses} />
          <Percent label={WORDS.thrownOut} value={culls} onValue={setCulls} />
          {!seedTray && (
            <label className="field">
              <span className="label">{WORDS.seedsToACell}</span>
              <select className="input" value={perCell} onChange={(e) => setPerCell(e.target.value)}>
                {[1, 2, 3, 4, 5, 6].map((n) => (
                  <option key={n}>{n}</option>
                ))}
              </select>
            </label>
          )}
          {!seedTray && perCell !== '1' && (
            <Percent
              label={WORDS.doublesTeasedApart}
              hint={WORDS.words0ThinnedToOne}
              value={teased}
              onValue={setTeased}
            />
          )}
        </div>
        {wrong && (
          <p role="alert" className="note-bar bad mt-3">
            {wrong}
          </p>
        )}
      </section>
      <section aria-label={WORDS.answer}>
        {answer === null ? (
          <p className="note-bar bad">{wrong || WORDS.noNumberWillDoWith}</p>
        ) : (
          <>
            <dl className="flex flex-wrap gap-x-9 gap-y-2">
              <Figure
                value={String(answer.seeds)}
                words={seedTray ? WORDS.seedsToSowThenPricked : WORDS.seedsInCells(answer.cells)}
                size="text-5xl"
              />
              <Figure
                value={String(whole)}
                words={`${container.name}${trays < whole ? WORDS.theLastFull(Math.round(100 * (trays - Math.floor(trays)))) : ''}`}
                size="text-5xl"
              />
              <Figure
                value={volume(Math.ceil(mixLitres(whole, container.volume_L)))}
                words={WORDS.sowingMixSettlingAndWaste}
              />
              {supply?.weight_g != null && <Figure value={`${decimal(supply.weight_g, 1)} g`} words={WORDS.ofSeed} />}
              {supply?.packets != null && (
                <Figure
                  value={String(supply.packets)}
                  words={WORDS.packets(supply.cost === null ? '' : `, ${money(supply.cost)}`)}
                />
              )}
              <Figure value={odds(answer.short_frac)} words={WORDS.oddsOfEndingShort} />
            </dl>
            {lot?.seeds_count != null && lot.seeds_count < answer.seeds && (
              <p className="note-bar bad mt-3">
                {WORDS.lotHasLeftTooFew(lot.code, counted(lot.seeds_count, WORDS.seed), answer.seeds - lot.seeds_count)}
              </p>
            )}
            <Bars answer={answer} wanted={plantsWanted} />
            <p className="mt-2 text-[0.92rem] text-ink2">
              {answer.exact ? WORDS.eachBarIsTheChance : WORDS.eachBarIsTheChance2}{' '}
              {asNow && (
                <>
                  {WORDS.asPlannedNowToEnd(
                    counted(cellsNow, seedTray ? WORDS.seed : 'cell'),
                    odds(asNow.short_frac),
                    Math.round(asNow.mean_plants),
                  )}
                </>
              )}
            </p>
            {props.planned && (
              <button
                type="button"
                className="btn solid mt-4"
                onClick={() => void use(answer.cells)}
                disabled={answer.cells === cellsNow}
              >
                {answer.cells === cellsNow
                  ? WORDS.thisIsThePlan
                  : WORDS.sowInThePlan(answer.cells, seedTray ? WORDS.seeds : WORDS.cells)}
              </button>
            )}
            {said && (
              <p role="alert" className="note-bar bad mt-3">
                {said}
              </p>
            )}
          </>
        )}
      </section>
    </div>
  );
}

const percent = (frac: number): string => String(Math.round(1000 * frac) / 10);
const figure = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')));

function Percent({
  label,
  hint,
  value,
  onValue,
}: {
  readonly label: string;
  readonly hint?: string;
  readonly value: string;
  readonly onValue: (v: string) => void;
}) {
  return (
    <label className="field">
      <span className="label">{label}, %</span>
      <input className="input" inputMode="decimal" value={value} onChange={(e) => onValue(e.target.value)} />
      {hint && <span className="text-[0.85rem] text-ink2">{hint}</span>}
    </label>
  );
}

/** The chance of each number of good plants; short ones hatched, so that they are told without colour. */
function Bars({ answer, wanted }: { readonly answer: SeedsAnswer; readonly wanted: number }) {
  const { chances, from } = answer;
  const group = Math.max(1, Math.ceil(chances.length / 80));
  const bars = Array.from({ length: Math.ceil(chances.length / group) }, (_, i) => ({
    at: from + i * group,
    chance: chances.slice(i * group, (i + 1) * group).reduce((a, b) => a + b, 0),
  }));
  const most = Math.max(...bars.map((b) => b.chance), 1e-9);
  const line = bars.findLast((bar) => bar.at <= wanted)?.at ?? from;
  return (
    <div className="mt-4 max-w-3xl">
      <svg width="0" height="0" className="absolute" aria-hidden="true">
        <pattern id="short" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--color-brick-soft)" />
          <rect width="2.5" height="6" fill="var(--color-brick)" />
        </pattern>
      </svg>
      <Chart
        label={WORDS.chanceOfEachNumberOf(from, from + chances.length - 1, wanted, odds(answer.short_frac))}
        height="low"
        rows={bars}
        x="at"
        xTick={String}
        yDomain={[0, most]}
        yTick={null}
        bars={{ key: 'chance', fill: (bar) => (Number(bar['at']) < wanted ? 'url(#short)' : 'var(--color-ink)') }}
        marks={[{ at: { x: line }, stroke: 'var(--color-plum)', width: 2, dash: '5 3', words: WORDS.wanted(wanted) }]}
      />
      <p className="text-[0.9rem] text-ink2">{WORDS.goodPlants(from, from + chances.length - 1)}</p>
    </div>
  );
}
