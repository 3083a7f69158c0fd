import { useEffect, useMemo, useState } from 'react';
import { whoWaters } from '../../core/watering/whoWaters.ts';
import type { WaterPlanView } from '../../contracts/watering/waterViews.ts';
import { clockWords, shortDay, spokenDay } from '../../ui/format.ts';
import { house, unitOf, volume } from '../../ui/house.ts';
import { measureFromShown } from '../../core/units/measure.ts';
import { useView } from '../../ui/kit/data.ts';
import { minutesWords } from '../../ui/minutes.ts';
import { decimal } from '../../ui/numbers.ts';
import { PersonMark } from '../../ui/PersonMark.tsx';
import { recall, remember } from '../../ui/remembered.ts';
import { WORDS } from '../../words/en/watering/pages.ts';
import { Cautions } from './PlaceWaterPage.tsx';

const TANK = 'crook.tank';
const STAY = 'crook.stay';

/** Water for some days away, and litres and minutes a day by week. */
export function WaterPlan({ initial, most }: { readonly initial: WaterPlanView; readonly most: number }) {
  const [days, setDays] = useState(initial.away_days);
  const { view } = useView<WaterPlanView>(`/api/watering/plan?away=${days}`, initial);
  const { today } = view;
  const short = view.away.filter(({ lasts }) => !lasts);
  const [stay, setStay] = useState<readonly number[]>([]);
  useEffect(() => setStay(recall<{ people: readonly number[] }>(STAY, { people: [] }).people), []);
  const staying = view.people.filter(({ id }) => stay.includes(id));
  const chosen = staying.map(({ id }) => id).join();
  const who = useMemo(() => {
    const people = chosen === '' ? [] : chosen.split(',').map(Number);
    return whoWaters(
      view.away.filter(({ lasts }) => !lasts),
      people,
    );
  }, [view.away, chosen]);
  const toggle = (id: number) => {
    const people = stay.includes(id) ? stay.filter((one) => one !== id) : [...stay, id];
    setStay(people);
    remember(STAY, { people });
  };
  const back = spokenDay(today + view.away_days, today);
  return (
    <div>
      <h1>{WORDS.waterAhead}</h1>
      <section className="mt-3">
        <h2>{WORDS.away}</h2>
        <div className="no-print mt-1 flex flex-wrap items-center gap-2" role="group" aria-label={WORDS.awayDays}>
          <span>{WORDS.awayDays}</span>
          {Array.from({ length: Math.min(7, most) }, (_, i) => i + 1).map((n) => (
            <button
              key={n}
              type="button"
              className="btn min-h-12 min-w-12"
              aria-pressed={n === days}
              onClick={() => setDays(n)}
            >
              {n}
            </button>
          ))}
        </div>
        <p className="mt-2 text-lg font-semibold" role="status">
          {view.away.length === 0
            ? WORDS.noTrays
            : short.length === 0
              ? WORDS.allLast
              : WORDS.someDoNot(short.length, view.away.length)}
        </p>
        <p className="max-w-[70ch] text-[0.92rem] text-ink2">{WORDS.awayMeans(view.away_days, WORDS.back(back))}</p>
        {short.length > 0 && view.people.length > 0 && (
          <>
            <div className="no-print mt-2 flex flex-wrap items-center gap-2" role="group" aria-label={WORDS.whoStays}>
              <span>{WORDS.whoStays}</span>
              {view.people.map(({ id, name, initials, mark }) => (
                <button
                  key={id}
                  type="button"
                  className="btn min-h-12 gap-1.5"
                  aria-pressed={stay.includes(id)}
                  aria-label={WORDS.stays(name)}
                  onClick={() => toggle(id)}
                >
                  <PersonMark mark={mark} size={12} />
                  {initials}
                </button>
              ))}
            </div>
            <ul aria-label={WORDS.whoWatersWhat}>
              {staying.map(({ id, name }) => {
                const own = short.filter(({ placeId }) => who.get(placeId) === id);
                const places = [...new Set(own.map(({ place }) => place))];
                return (
                  <li key={id}>
                    <b>{name}</b>:{' '}
                    {places.length === 0
                      ? WORDS.nothingToWater
                      : WORDS.watersThere(
                          places.join(', '),
                          minutesWords(own.reduce((sum, one) => sum + one.minutes, 0)),
                        )}
                  </li>
                );
              })}
            </ul>
          </>
        )}
        {view.away.length > 0 && (
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.away}>
            <table className="plain-table mid mt-2">
              <thead>
                <tr>
                  <th>{WORDS.batch}</th>
                  <th>{WORDS.dryAbout}</th>
                  <th>{WORDS.wants}</th>
                </tr>
              </thead>
              <tbody>
                {view.away.map((one) => (
                  <tr key={one.batchId} data-away={one.lasts ? 'lasts' : 'wants'}>
                    <td>
                      {one.name} <a href={`/batch/${one.batchId}`}>{one.code}</a>
                      <br />
                      <span className="text-[0.92rem] text-ink2">{WORDS.whereAndTrays(one.place, one.trays)}</span>
                    </td>
                    <td>
                      {one.dry ? WORDS.at(spokenDay(one.dry.day, today), clockWords(one.dry.minute)) : WORDS.longer}
                    </td>
                    <td className={one.lasts ? 'text-ink2' : 'font-semibold'}>
                      {one.lasts ? WORDS.lasts : WORDS.waterTimes(Math.max(1, one.waterings), volume(one.litres))}
                      {!one.lasts && staying.find(({ id }) => id === who.get(one.placeId)) && (
                        <>, {staying.find(({ id }) => id === who.get(one.placeId))!.initials}</>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <h3 className="mt-4">{WORDS.setUp}</h3>
        <ul className="max-w-[70ch] list-disc pl-5 text-[0.95rem]">
          {WORDS.helps.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </section>
      <Weeks weeks={view.weeks} />
      <Cautions />
    </div>
  );
}

function Weeks({ weeks }: Pick<WaterPlanView, 'weeks'>) {
  const [tank, setTank] = useState('');
  useEffect(() => setTank(recall(TANK, { litres: '' }).litres), []);
  const { lengthUnit } = house();
  const typed = Number(tank.replace(',', '.'));
  const tank_L = tank.trim() === '' || !(typed > 0) ? null : measureFromShown(typed, 'L', lengthUnit);
  return (
    <section className="mt-8">
      <h2>{WORDS.litresAhead}</h2>
      {weeks.length === 0 ? (
        <p className="text-ink2">{WORDS.noWeeks}</p>
      ) : (
        <>
          <p className="max-w-[70ch] text-[0.92rem] text-ink2">{WORDS.litresMeans}</p>
          <label className="no-print mt-2 flex items-center gap-2">
            {WORDS.tank}
            <input
              className="input w-24"
              inputMode="decimal"
              value={tank}
              onChange={(e) => {
                setTank(e.target.value);
                remember(TANK, { litres: e.target.value });
              }}
            />
            {unitOf('L')}
          </label>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.litresAhead}>
            <table className="plain-table mid mt-2">
              <thead>
                <tr>
                  <th>{WORDS.week}</th>
                  <th className="r">{WORDS.litresADay}</th>
                  <th className="r">{WORDS.traysADay}</th>
                  <th className="r">{WORDS.minutesADay}</th>
                  {tank_L !== null && <th className="r">{WORDS.lastsDays}</th>}
                </tr>
              </thead>
              <tbody>
                {weeks.map((one) => (
                  <tr key={one.week}>
                    <td>{shortDay(one.week)}</td>
                    <td className="r">{volume(one.litresADay)}</td>
                    <td className="r">{decimal(one.traysADay)}</td>
                    <td className="r">{minutesWords(one.minutesADay)}</td>
                    {tank_L !== null && (
                      <td className="r">
                        {one.litresADay > 0 ? WORDS.daysLong(decimal(Math.min(999, tank_L / one.litresADay))) : ''}
                      </td>
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </section>
  );
}
