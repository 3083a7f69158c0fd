import { decimal } from '../../ui/numbers.ts';
import { Chart } from '../../ui/kit/Chart.tsx';
import { LineKey } from '../../ui/kit/LineKey.tsx';
import { money } from '../../ui/house.ts';
import { Figure } from '../../ui/Figure.tsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  NIGHT_min,
  NIGHT_START_h,
  startNight,
  stepNight,
  type NightPlan,
  type NightState,
} from '../../core/heat/bench/trainingNight.ts';
import type { Broken } from '../../core/heat/bench/physics.ts';
import { ALARMS, type AlarmKind } from '../../core/heat/alarms.ts';
import { costOf, type Tariff } from '../../core/heat/cost.ts';
import { hoursToHarm } from '../../core/heat/harm.ts';
import { watched } from '../../core/heat/watch.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { CompareNight, type TrainingZone } from './CompareNight.tsx';
import { evidenceWords, hoursWords, tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/training.ts';

interface Props {
  readonly zones: readonly TrainingZone[];
  readonly tariff: Tariff;
  readonly unit: TemperatureUnit;
}

const THINGS: readonly (readonly [keyof Broken, string])[] = [
  ['sensorOut', WORDS.pullTheSensorFromIts],
  ['sensorStuck', WORDS.freezeTheSensor],
  ['heaterOpen', WORDS.cutTheHeater],
  ['relayStuck', WORDS.jamTheRelayOn],
  ['powerOff', WORDS.cutThePower],
  ['lidOpen', WORDS.leaveTheLidOpen],
  ['silent', WORDS.stopTheReadings],
];
const SPEEDS = [5, 20, 60] as const;
/** Apart from each other the lines of the chart, °C. */
const STEP_K = 10;

/** A made-up cold night in fast time: break things, see what the watch says and when. */
export function Training({ zones, tariff, unit }: Props) {
  const [zoneId, setZone] = useState(zones[0]!.id);
  const [least_C, setLeast] = useState(-4);
  const [set_C, setSet] = useState(zones[0]!.set_C);
  const [speed, setSpeed] = useState<number>(20);
  const [running, setRunning] = useState(false);
  const [broken, setBroken] = useState<Broken>({});
  const [heard, setHeard] = useState<readonly { minute: number; kind: AlarmKind; words: string }[]>([]);
  const [deeds, setDeeds] = useState<readonly { minute: number; words: string }[]>([]);
  const [ready, setReady] = useState(false);
  const zone = zones.find((z) => z.id === zoneId)!;
  const plan = useMemo(
    (): NightPlan => ({
      watched: watched(zone.spec, { hot_C: 33, harm_C: zone.harm_C }),
      set_C,
      least_C,
      most_C: least_C + 11,
      seed: zoneId * 17 + 3,
    }),
    [zone, set_C, least_C, zoneId],
  );
  const state = useRef<NightState | null>(null);
  const brokenNow = useRef<Broken>({});
  const [view, setView] = useState<NightState | null>(null);
  useEffect(() => setReady(true), []);
  useEffect(() => {
    brokenNow.current = broken;
  }, [broken]);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => {
      let s = state.current ?? startNight(plan);
      for (let i = 0; i < speed / 5 && s.minute < NIGHT_min; i++) {
        const before = new Set(s.findings.map((f) => f.kind));
        s = stepNight(plan, s, brokenNow.current);
        const fresh = s.findings.filter((f) => !before.has(f.kind));
        if (fresh.length > 0)
          setHeard((h) => [
            ...fresh.map((f) => ({
              minute: s.minute,
              kind: f.kind,
              words: f.evidence.map((e) => evidenceWords(e, unit)).join('; '),
            })),
            ...h,
          ]);
      }
      state.current = s;
      setView(s);
      if (s.minute >= NIGHT_min) setRunning(false);
    }, 200);
    return () => clearInterval(timer);
  }, [running, plan, speed, unit]);

  function again(): void {
    state.current = null;
    setView(null);
    setHeard([]);
    setDeeds([]);
    setBroken({});
    setRunning(false);
  }
  function breakOne(key: keyof Broken, words: string, value: boolean): void {
    setBroken({ ...broken, [key]: value });
    setDeeds([{ minute: view?.minute ?? 0, words: value ? words : WORDS.mended(words) }, ...deeds]);
  }
  const minute = view?.minute ?? 0;
  const last = view?.trace.at(-1);
  const fixed = view !== null;
  return (
    <div data-ready={ready} className="grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_320px]">
      <div>
        <div className="flex flex-wrap items-end gap-3">
          <label className="field">
            <span className="label">{WORDS.zone}</span>
            <select
              className="input"
              value={zoneId}
              disabled={fixed}
              onChange={(e) => {
                const next = zones.find((z) => z.id === Number(e.target.value))!;
                setZone(next.id);
                setSet(next.set_C);
              }}
            >
              {zones.map((z) => (
                <option key={z.id} value={z.id}>
                  {z.name}
                </option>
              ))}
            </select>
          </label>
          <label className="field">
            <span className="label">{WORDS.lowestOutside(tenth(least_C, unit))}</span>
            <input
              type="range"
              className="h-11 accent-plum"
              min={-15}
              max={8}
              step={1}
              value={least_C}
              disabled={fixed}
              onChange={(e) => setLeast(Number(e.target.value))}
            />
          </label>
          <label className="field">
            <span className="label">{WORDS.setPoint(tenth(set_C, unit))}</span>
            <input
              type="range"
              className="h-11 accent-plum"
              min={8}
              max={28}
              step={0.5}
              value={set_C}
              disabled={fixed}
              onChange={(e) => setSet(Number(e.target.value))}
            />
          </label>
          <button
            type="button"
            className="btn solid"
            onClick={() => setRunning(!running)}
            disabled={minute >= NIGHT_min}
          >
            {running ? WORDS.pause : minute === 0 ? WORDS.beginTheNight : WORDS.goOn}
          </button>
          <button type="button" className="btn" onClick={again}>
            {WORDS.aNewNight}
          </button>
          <span className="flex gap-1" role="group" aria-label={WORDS.speed}>
            {SPEEDS.map((s) => (
              <button
                key={s}
                type="button"
                className="btn small"
                aria-pressed={speed === s}
                onClick={() => setSpeed(s)}
              >
                {WORDS.minS(s)}
              </button>
            ))}
          </span>
        </div>
        <dl className="my-3 flex flex-wrap gap-x-8 gap-y-1">
          <Figure value={clock(minute)} words={WORDS.byTheNightsClock} />
          <Figure value={tenth(last?.true_C, unit)} words={WORDS.mediumInTruth} />
          <Figure value={tenth(last?.read_C, unit)} words={WORDS.whatItsSensorSays} />
          <Figure value={tenth(last?.air_C, unit)} words={WORDS.air} />
          <Figure value={tenth(last?.outside_C, unit)} words={WORDS.outside} />
          <Figure
            value={`${decimal(view?.energy_kWh ?? 0, 2)} kWh`}
            words={WORDS.soFar(money(costOf(tariff, [view?.energy_kWh ?? 0], 2)))}
          />
        </dl>
        <NightDrawing view={view} set_C={set_C} unit={unit} heard={heard} />
        <section className="mt-3" aria-label={WORDS.whatTheWatchSays} aria-live="polite">
          <h2>{WORDS.whatTheWatchSays}</h2>
          {heard.length === 0 && (
            <p className="text-ink2">{minute === 0 ? WORDS.beginTheNightThenBreak : WORDS.nothingYet}</p>
          )}
          <ol>
            {heard.map((h) => (
              <li key={`${h.minute}${h.kind}`} className="note-bar bad my-1">
                <strong>
                  {clock(h.minute)} {ALARMS[h.kind].name}.
                </strong>{' '}
                {h.words}. {ALARMS[h.kind].first}
              </li>
            ))}
          </ol>
        </section>
      </div>
      <aside>
        <section className="card" aria-label={WORDS.breakSomething}>
          <h2>{WORDS.breakSomething}</h2>
          <ul className="mt-1">
            {THINGS.map(([key, words]) => (
              <li key={key}>
                <label className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-plum"
                    checked={broken[key] === true}
                    onChange={(e) => breakOne(key, words, e.target.checked)}
                  />
                  {words}
                </label>
              </li>
            ))}
          </ul>
          {deeds.length > 0 && (
            <ol className="mt-2 text-[0.92rem]">
              {deeds.map((d) => (
                <li key={`${d.minute}${d.words}`}>
                  {clock(d.minute)} {d.words}
                </li>
              ))}
            </ol>
          )}
          {view?.watch && (broken.powerOff || broken.heaterOpen) && (
            <p className="note-bar mt-2">
              {WORDS.untilTheMediumIsAt(
                hoursWords(
                  hoursToHarm(
                    zone.spec,
                    {
                      start_C: view.watch.x,
                      outside_C: [least_C],
                      floor_C: least_C + 4,
                      mode: { cover: zone.spec.cover.night, open: false },
                    },
                    [zone.harm_C],
                  )[0]!,
                ),
                tenth(zone.harm_C, unit),
              )}
            </p>
          )}
        </section>
        <CompareNight key={zone.id} zone={zone} least_C={least_C} tariff={tariff} unit={unit} />
      </aside>
    </div>
  );
}

function clock(minute: number): string {
  const at = (NIGHT_START_h * 60 + minute) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

interface DrawingProps {
  readonly view: NightState | null;
  readonly set_C: number;
  readonly unit: TemperatureUnit;
  readonly heard: readonly { readonly minute: number; readonly kind: AlarmKind }[];
}

function NightDrawing({ view, set_C, unit, heard }: DrawingProps) {
  const points = (view?.trace ?? []).filter((_, i) => i % 4 === 0);
  const low = Math.floor(Math.min(-5, ...points.map((p) => p.outside_C)) / STEP_K) * STEP_K;
  const high = Math.ceil(Math.max(30, ...points.map((p) => Math.max(p.true_C, p.air_C))) / STEP_K) * STEP_K;
  const rows = points.map((p) => ({
    minute: p.minute,
    outside: p.outside_C,
    air: p.air_C,
    sensor: p.read_C,
    medium: p.true_C,
    heater: p.on ? [low, low + STEP_K / 4] : undefined,
  }));
  const last = points.at(-1);
  return (
    <div className="border border-line bg-paper p-1">
      <Chart
        label={
          last
            ? WORDS.atMediumSensorAir(
                clock(last.minute),
                tenth(last.true_C, unit),
                tenth(last.read_C, unit),
                tenth(last.air_C, unit),
              )
            : WORDS.theNightHasNotBegun
        }
        height="usual"
        rows={rows.length > 0 ? rows : [{ minute: 0 }]}
        x="minute"
        xDomain={[0, NIGHT_min]}
        xTicks={[0, 4, 8, 12, 16].map((hour) => hour * 60).filter((minute) => minute <= NIGHT_min)}
        xTick={clock}
        yDomain={[low, high]}
        yTicks={Array.from({ length: (high - low) / STEP_K + 1 }, (_, i) => low + STEP_K * i)}
        yTick={(t) => tenth(t, unit).replace('.0', '')}
        areas={[{ key: 'heater', fill: 'var(--color-brick)' }]}
        lines={[
          { key: 'outside', stroke: 'var(--color-water)', width: 1.4 },
          { key: 'air', stroke: 'var(--color-ink3)', width: 1.4 },
          { key: 'sensor', stroke: 'var(--color-plum)', width: 1.6, dash: '2 2' },
          { key: 'medium', stroke: 'var(--color-ink)', width: 2.6 },
        ]}
        marks={[
          { at: { y: set_C }, stroke: 'var(--color-ink)', dash: '5 4' },
          ...heard.map((h) => ({
            at: { x: h.minute },
            stroke: 'var(--color-brick)',
            words: ALARMS[h.kind].name,
            place: 'insideTopRight' as const,
          })),
        ]}
      />
      <ul className="flex flex-wrap gap-x-5 text-[0.9rem]">
        <LineKey stroke="var(--color-ink)" width={2.6} words={WORDS.medium} />
        <LineKey stroke="var(--color-plum)" dash="2 2" words={WORDS.sensor} />
        <LineKey stroke="var(--color-ink3)" words={WORDS.air} />
        <LineKey stroke="var(--color-water)" words={WORDS.outside} />
        <LineKey stroke="var(--color-brick)" width={6} words={WORDS.heaterOn} />
      </ul>
    </div>
  );
}
