import { decimal } from '../../ui/numbers.ts';
import { useView } from '../../ui/kit/data.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { money } from '../../ui/house.ts';
import { Figure } from '../../ui/Figure.tsx';
import { useEffect, useState } from 'react';
import type { AlarmRecord, HeatTotals, ZoneCard, ZoneView } from '../../contracts/heat/heat.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { AlarmCard } from './AlarmCard.tsx';
import { BreakThings } from './BreakThings.tsx';
import { HandReadings } from './HandReadings.tsx';
import { Override } from './Override.tsx';
import { Section } from './Section.tsx';
import { Trace } from './Trace.tsx';
import { alarmName, clockTime, hoursWords, kelvin, percent, tenth } from './words.ts';
import { saidOf } from '../../words/en/codes.ts';
import { WORDS } from '../../words/en/heat/heatScreen.ts';

interface Props {
  readonly view: ZoneView;
  readonly cards: readonly ZoneCard[];
  readonly all: { readonly today: HeatTotals; readonly season: HeatTotals };
  readonly now_ms: number;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  readonly demo: boolean;
  readonly today: string;
  /** First day of the season, from which energy is added up. */
  readonly seasonFrom: number;
}

interface Live {
  readonly zones: readonly { readonly id: number; readonly at_ms: number }[];
  readonly alarms: readonly {
    readonly id: number;
    readonly zoneId: number | null;
    readonly taken: boolean;
    readonly sounded_ms: number | null;
  }[];
}

/** Every zone at a glance, one of them in section, over time, and what happens when the power goes. Live. */
export function HeatScreen(props: Props) {
  const { unit, timeZone, demo } = props;
  const id = props.view.zone.id;
  const { view, refresh: readZone } = useView<ZoneView>(`/api/heat/zones/${id}`, props.view);
  const { view: cards, refresh: readZones } = useView<readonly ZoneCard[]>('/api/heat/zones', props.cards);
  const [now_ms, setNow] = useState(props.now_ms);
  const [tick, setTick] = useState(0);
  const [cut, setCut] = useState(false);
  const [ready, setReady] = useState(false);

  async function refresh(): Promise<void> {
    await Promise.all([readZone(), readZones()]);
    setTick((t) => t + 1);
  }
  useEffect(() => {
    setReady(true);
    const events = new EventSource('/api/heat/live');
    let last = 0;
    let waiting: ReturnType<typeof setTimeout> | null = null;
    events.onopen = () => setCut(false);
    events.onerror = () => setCut(true);
    events.onmessage = (e) => {
      const live = JSON.parse(e.data as string) as Live;
      setNow((n) => Math.max(n, ...live.zones.map((z) => z.at_ms)));
      // Not more than one look every two seconds, but always the last.
      const go = () => {
        last = Date.now();
        waiting = null;
        void refresh();
      };
      if (Date.now() - last > 2000) go();
      else waiting ??= setTimeout(go, 2000);
    };
    return () => {
      events.close();
      if (waiting) clearTimeout(waiting);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the stream is opened once for a zone
  }, [id]);

  const { card, sizing, totals, harm } = view;
  const status = card.status;
  const handForm = <HandReadings view={view} unit={unit} timeZone={timeZone} onChanged={() => void refresh()} />;
  const doubtful = status !== null && !status.believed;
  return (
    <div
      data-ready={ready}
      className="grid grid-cols-1 gap-x-6 gap-y-5 min-[900px]:grid-cols-[230px_minmax(0,1fr)] min-[1200px]:grid-cols-[230px_minmax(0,1fr)_280px]"
    >
      <nav aria-label={WORDS.heatedZones} className="max-[900px]:order-2">
        <ul className="border-t border-line">
          {cards.map((c) => (
            <li key={c.id} className="border-b border-line">
              <a
                href={`/heat?zone=${c.id}`}
                aria-current={c.id === id ? 'true' : undefined}
                className={`flex items-stretch gap-2 py-2 pr-2 no-underline ${c.id === id ? 'bg-paper outline-2 outline-ink' : ''}`}
              >
                <svg aria-hidden="true" className="w-2.5 self-stretch" preserveAspectRatio="none" viewBox="0 0 1 1">
                  <rect width="1" height="1" fill={c.status ? temperatureColour(c.status.x[1]) : 'var(--color-line)'} />
                </svg>
                <span className="min-w-0 flex-1">
                  <span className="flex items-baseline justify-between gap-2">
                    <span className="num">{c.name}</span>
                    <span className="num text-xl">
                      {c.status ? tenth(c.status.read.medium ?? c.status.x[1], unit) : '·'}
                      {c.status && !c.status.believed && ' ?'}
                    </span>
                  </span>
                  <small className={c.alarms.length > 0 ? 'font-bold text-brick' : 'text-ink2'}>
                    {c.alarms.length > 0
                      ? alarmName(c.alarms[0]!)
                      : c.byHand
                        ? WORDS.byHand(c.set_C === null ? WORDS.off : WORDS.set(tenth(c.set_C, unit)))
                        : c.set_C === null
                          ? WORDS.off
                          : WORDS.set2(
                              tenth(c.set_C, unit),
                              c.status ? `, ${c.status.duty > 0 ? 'heating' : 'resting'}` : '',
                            )}
                    {c.unverified && c.alarms.length === 0 && WORDS.notChecked}
                  </small>
                </span>
              </a>
            </li>
          ))}
        </ul>
        <dl className="mt-3 grid grid-cols-2 gap-2">
          <Figure
            size="text-xl"
            value={`${decimal(props.all.today.kWh, 1)} kWh`}
            words={WORDS.allZonesToday(money(props.all.today.money))}
          />
          <Figure
            size="text-xl"
            value={String(Math.round(props.all.season.kWh))}
            words={WORDS.kwhSinceKgCo(
              shortDay(props.seasonFrom),
              money(props.all.season.money),
              Math.round(props.all.season.co2_kg),
            )}
          />
        </dl>
        <p className="mt-3 flex flex-wrap gap-x-4 gap-y-1 text-[0.92rem]">
          <a href="/heat/alarms">{WORDS.alarms}</a>
          <a href="/heat/zones/new">{WORDS.addAZone}</a>
          <a href="/heat/training">{WORDS.trainingNight}</a>
          <a href="/heat/readings">{WORDS.readingsInAndOut}</a>
          <a href="/heat/settings">{WORDS.tariffAndQuietHours}</a>
        </p>
      </nav>
      <div>
        {cut && ready && (
          <p className="note-bar bad mb-2" role="status">
            {WORDS.connectionLostReconnectingFiguresAre(clockTime(status?.at_ms ?? now_ms, timeZone))}
          </p>
        )}
        {view.alarms.map((a: AlarmRecord) => (
          <AlarmCard
            key={a.id}
            alarm={a}
            zone={card.name}
            unit={unit}
            timeZone={timeZone}
            onTaken={() => void refresh()}
          />
        ))}
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1>{card.name}</h1>
          {status && (
            <span className="text-ink2">
              {card.byHand ? WORDS.readByHand : WORDS.readAt}
              {clockTime(status.at_ms, timeZone, card.byHand)}
            </span>
          )}
          <a className="ml-auto" href={`/heat/zones/${id}`}>
            {WORDS.howItIsBuilt}
          </a>
        </div>
        <p className="text-[0.92rem] text-ink2">{WORDS.setPoint(card.setWhy)}</p>
        <dl className="my-3 grid grid-cols-2 gap-x-5 gap-y-3 min-[640px]:grid-cols-5">
          <Figure
            value={`${status ? tenth(status.read.medium ?? status.x[1], unit) : '·'}${doubtful ? ' ?' : ''}`}
            words={WORDS.medium(card.set_C === null ? WORDS.off : WORDS.set(tenth(card.set_C, unit)))}
          />
          {card.byHand ? (
            <Figure value={status?.read.air != null ? tenth(status.read.air, unit) : '·'} words={saidOf('air')} />
          ) : (
            <Figure value={view.onToday === null ? '·' : percent(view.onToday)} words={WORDS.heaterOnToday} />
          )}
          <Figure
            value={card.byHand ? '·' : `${decimal(totals.today.kWh, 1)} kWh`}
            words={card.byHand ? WORDS.notMeasuredWithoutAController : WORDS.usedToday(money(totals.today.money))}
          />
          <Figure
            value={WORDS.downTo(tenth(sizing.holdsTo_C, unit))}
            words={sizing.holds ? WORDS.outsideItStillHoldsAs : WORDS.onlyItWillNotHold}
          />
          <Figure value={tenth(sizing.stuckOn_C, unit)} words={WORDS.ifStuckOnInThe} />
        </dl>
        {!card.byHand && (
          <table className="plain-table dense mb-3 max-w-sm">
            <caption className="sr-only">{WORDS.heatUsedIn(card.name)}</caption>
            <thead>
              <tr>
                <th>{WORDS.heatUsed}</th>
                <th className="r">{WORDS.kwh}</th>
                <th className="r">{WORDS.cost}</th>
              </tr>
            </thead>
            <tbody>
              {USED.map(([key, words]) => (
                <tr key={key}>
                  <th scope="row" className="measure">
                    {words}
                  </th>
                  <td className="r num">{decimal(totals[key].kWh, totals[key].kWh < 10 ? 1 : 0)}</td>
                  <td className="r num">{money(totals[key].money)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {doubtful && (
          <p className="note-bar bad mb-2">
            {WORDS.theSensorIsNotBelieved(percent(status.safeDuty ?? 0), tenth(status.x[1], unit))}
          </p>
        )}
        {card.byHand && <p className="note-bar mb-2">{WORDS.noControllerNothingWatchesThis}</p>}
        {card.byHand && handForm}
        <Section view={view} unit={unit} />
        {!card.byHand && <Trace zoneId={id} now_ms={now_ms} unit={unit} timeZone={timeZone} tick={tick} />}
      </div>
      <aside className="min-[900px]:col-start-2 min-[1200px]:col-start-3">
        <section className="card" aria-label={WORDS.ifThePowerGoesNow}>
          <h2>{WORDS.ifThePowerGoesNow}</h2>
          {harm.length === 0 ? (
            <p className="text-ink2">
              {view.batches.length === 0
                ? WORDS.nothingStandsOnIt
                : card.byHand
                  ? WORDS.workedOutFromAReading
                  : WORDS.noReadingsYet}
            </p>
          ) : (
            <>
              <ul className="mt-1">
                {harm.slice(0, 6).map((h) => (
                  <li
                    key={h.batchId}
                    className="flex items-baseline justify-between gap-3 border-b border-dotted border-ink3 py-1"
                  >
                    <span>
                      {WORDS.to(
                        <a key="1" href={`/batch/${h.batchId}`}>
                          {h.name}
                        </a>,
                        tenth(h.harm_C, unit),
                      )}
                    </span>
                    <span className="num text-lg whitespace-nowrap">{hoursWords(h.hours)}</span>
                  </li>
                ))}
              </ul>
              <p className="mt-2 text-[0.92rem] text-ink2">
                {WORDS.asCoveredAtNightWith(hoursWords(harm[0]!.bare_h), hoursWords(harm[0]!.more_h))}
              </p>
            </>
          )}
        </section>
        {!card.byHand && handForm}
        <Override view={view} unit={unit} timeZone={timeZone} onChanged={() => void refresh()} />
        <section className="mt-5" aria-label={WORDS.whatIf}>
          <h2>{WORDS.whatIf}</h2>
          <ul className="mt-1 space-y-1">
            {view.whatIf.map((w) => (
              <li key={w.words}>
                {WORDS.onAUsualNight(
                  <strong key="2">{w.words}</strong>,
                  w.change_frac <= 0
                    ? WORDS.lessHeat(percent(-w.change_frac))
                    : WORDS.timesTheHeat(decimal(1 + w.change_frac, 1)),
                  w.holds ? WORDS.holdsTo(tenth(w.holdsTo_C, unit)) : WORDS.failsBelow(tenth(w.holdsTo_C, unit)),
                )}
              </li>
            ))}
          </ul>
        </section>
        {!card.byHand && (
          <section className="mt-5" aria-label={WORDS.sensors}>
            <h2>{WORDS.sensors}</h2>
            <ul className="mt-1 space-y-1">
              {view.sensors.map((s) => (
                <li key={s.id}>
                  <a href={`/heat/sensors/${s.id}`}>{saidOf(s.role)}</a>:{' '}
                  {s.checkedOn === null ? (
                    <span className="font-semibold">{WORDS.neverChecked}</span>
                  ) : (
                    <>
                      {WORDS.offsetChecked(
                        kelvin(s.offset_K, unit),
                        s.checkedOn,
                        s.dueOn && s.dueOn <= props.today && <strong key="3">{WORDS.dueAgain}</strong>,
                      )}
                    </>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
        {demo && !card.byHand && <BreakThings zoneId={id} />}
        <p className="mt-5 text-[0.88rem] text-ink2">{WORDS.electricityWithWaterAResidual}</p>
      </aside>
    </div>
  );
}

const USED = [
  ['today', WORDS.todayHead],
  ['month', WORDS.thisMonth],
  ['season', WORDS.thisSeason],
] as const;
