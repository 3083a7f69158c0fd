import { decimal } from '../../ui/numbers.ts';
import { useState } from 'react';
import type { NightAct } from '../../core/heat/lid.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import type { StructureView } from '../../contracts/hardening/hardenViews.ts';
import { ExplanationText } from '../../ui/ExplanationText.tsx';
import { counted, spokenDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { dayHead, whole } from '../weather/SkyRow.tsx';
import { HourChart } from './HourChart.tsx';
import { WORDS } from '../../words/en/hardening/structures.ts';

const ACTS: Readonly<Record<NightAct, string>> = {
  nothing: WORDS.shutNothingMore,
  water: WORDS.floorWatered,
  fleece: WORDS.fleeceOverTheTrays,
  blanket: WORDS.blanketOverTheGlass,
  heater: WORDS.heaterOn,
};

interface Props {
  readonly structures: readonly StructureView[];
  readonly today: number;
  readonly unit: 'C' | 'F';
}

/** Frames and houses: today's times to open and shut, tonight's covers, each day by the hour. */
export function Structures({ structures, today, unit }: Props) {
  return (
    <>
      {structures.map((s) => (
        <Structure key={s.cover.id} view={s} today={today} unit={unit} />
      ))}
    </>
  );
}

function Structure({ view, today, unit }: { readonly view: StructureView } & Pick<Props, 'today' | 'unit'>) {
  const [at, setAt] = useState(0);
  const day = view.days[at];
  if (!day) return null;
  const steps = view.cover.structure!.steps.map((s) => s.name);
  const t = (value: number) => degreesWords(value, unit);
  const hot = day.tooHotFrom !== null;
  return (
    <section className="mt-6" aria-label={view.cover.name}>
      <div className="flex flex-wrap items-baseline gap-x-4 border-b-2 border-ink pb-1">
        <h2>{view.cover.name}</h2>
        <span className="text-ink2">
          {view.standing.length === 0
            ? WORDS.nothingStandsThere
            : WORDS.wantTo(
                counted(view.standing.length, WORDS.batch, WORDS.batches),
                t(view.range.least_C),
                t(view.range.most_C),
              )}
        </span>
        <a className="ml-auto" href={`/hardening/covers?line=${view.cover.id}`}>
          {WORDS.asItIsBuilt}
        </a>
      </div>
      <div className="mt-2 grid grid-cols-1 gap-6 min-[1000px]:grid-cols-[minmax(0,1fr)_400px]">
        <div className="min-w-0">
          <p className="num text-2xl">
            {at === 0 ? WORDS.today : spokenDay(day.day, today)}:{' '}
            {day.moves.length === 0
              ? WORDS.leaveIt(steps[0])
              : day.moves.map((m) => `${steps[m.step]} ${m.hour}:00`).join(' · ')}
          </p>
          <p className={hot ? 'font-semibold text-brick' : 'text-ink2'}>
            {WORDS.asAdvisedTo(
              hot
                ? WORDS.shutInSunItWould(t(day.shutMost_C), day.shutMostAt, day.tooHotFrom)
                : WORDS.shutAllDayItComes(t(day.shutMost_C)),
              t(day.least_C),
              t(day.most_C),
            )}
          </p>
          <HourChart day={day} outside_C={view.outside_C[at] ?? []} range={view.range} unit={unit} steps={steps} />
          <div className="mt-1 flex flex-wrap gap-1" role="group" aria-label={WORDS.daysOf(view.cover.name)}>
            {view.days.map((d, i) => (
              <button
                key={d.day}
                type="button"
                className="btn small flex-col leading-tight"
                aria-pressed={i === at}
                onClick={() => setAt(i)}
              >
                <span>{i === 0 ? WORDS.today : dayHead(d.day)}</span>
                <span className="num font-normal">
                  {whole(d.shutMost_C, unit)}
                  {d.tooHotFrom === null ? '' : ' !'}
                </span>
              </button>
            ))}
          </div>
          <p className="mt-1 text-[0.85rem] text-ink2">{WORDS.underEachDayTheMost}</p>
        </div>
        <div>
          <h3>{WORDS.theNightAfterIt}</h3>
          {day.night.length === 0 && <p className="text-ink2">{WORDS.notToldThatFar}</p>}
          <table className="plain-table mt-1">
            <tbody>
              {day.night.map((n) => (
                <tr key={n.act}>
                  <td>{ACTS[n.act]}</td>
                  <td className="r">
                    <span className="inline-flex items-center gap-1.5">
                      <svg width="8" height="18" aria-hidden="true">
                        <rect width="8" height="18" fill={temperatureColour(n.least_C)} />
                      </svg>
                      <span className="num text-lg">{t(n.least_C)}</span>
                    </span>
                  </td>
                  <td className={n.enough ? '' : 'text-brick'}>
                    {n.enough ? WORDS.enough : WORDS.notEnough}
                    {n.kWh > 0.05 ? WORDS.kwh(decimal(n.kWh, 1)) : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-2 text-[0.88rem] text-ink2">{WORDS.aReckoningNotAPromise}</p>
          <details className="mt-1">
            <summary className="link-btn">{WORDS.why}</summary>
            <ExplanationText explanation={view.explanation} unit={unit} />
          </details>
          <details className="mt-1">
            <summary className="link-btn">{WORDS.theHoursAsATable}</summary>
            <div
              className="max-h-80 overflow-y-auto"
              tabIndex={0}
              role="region"
              aria-label={WORDS.hoursOf(view.cover.name)}
            >
              <table className="plain-table dense">
                <thead>
                  <tr>
                    <th>{WORDS.hour}</th>
                    <th className="r">{WORDS.outside}</th>
                    <th className="r">{WORDS.shut}</th>
                    <th className="r">{WORDS.ajar}</th>
                    <th className="r">{WORDS.open}</th>
                    <th className="r">{WORDS.advised}</th>
                  </tr>
                </thead>
                <tbody>
                  {day.hours.map((hour, i) => (
                    <tr key={i}>
                      <td>{hour}:00</td>
                      {[view.outside_C[at] ?? [], day.shut_C, day.ajar_C, day.open_C, day.advised_C].map((line, k) => (
                        <td key={k} className="r">
                          {line[i] === undefined ? '' : t(line[i])}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </details>
        </div>
      </div>
    </section>
  );
}
