import { useId, useMemo, useState } from 'react';
import { mondayOf } from '../../core/calendar/week.ts';
import {
  COLDEST_C,
  HOTTEST_C,
  lotRange,
  shareChambers,
  type LotRange,
  type LotToSow,
  type Sharing,
} from '../../core/plan/placement/sowTogether.ts';
import type { SowTogetherData } from '../../contracts/germination/sowTogether.ts';
import { counted, degrees, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { WORDS } from '../../words/en/germination/sowTogether.ts';

const SCHOOL_WORDS = {
  none: WORDS.coolCropsGetNone,
  gentle: WORDS.coolCropsGetGentleHeat,
  same: WORDS.coolCropsAsWarm,
} as const;

/** What is sown in a week, grouped by the chamber temperatures that suit the lots together. */
export function SowTogether(props: SowTogetherData) {
  const id = useId();
  const { today, unit, lots, crops, coolSchool, coolMost_C } = props;
  const weeks = [...new Set(lots.map((lot) => Math.max(mondayOf(today), mondayOf(lot.sowOn))))];
  const [week, setWeek] = useState(weeks[0] ?? mondayOf(today));
  const [chambers, setChambers] = useState(2);
  const here = useMemo(
    () => lots.filter((lot) => Math.max(mondayOf(today), mondayOf(lot.sowOn)) === week),
    [lots, week, today],
  );
  const toSow = useMemo(
    () =>
      here.map((lot): LotToSow => ({ id: lot.id, crop: crops.find((c) => c.id === lot.cropId)!, trays: lot.trays })),
    [here, crops],
  );
  const ranges = useMemo(
    () => toSow.map((lot) => lotRange(lot, coolSchool, coolMost_C)),
    [toSow, coolSchool, coolMost_C],
  );
  const sharings = useMemo(() => [1, 2, 3].map((n) => shareChambers(toSow, ranges, n)), [toSow, ranges]);
  const sharing = sharings[chambers - 1]!;
  const nameOf = (lotId: number) => here.find((lot) => lot.id === lotId)?.name ?? '';
  return (
    <section className="mt-4" aria-label={WORDS.sowTogether}>
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-2 self-center">{WORDS.sowTogether}</h2>
        <div className="field w-44">
          <label htmlFor={`${id}week`}>{WORDS.weekOf}</label>
          <select id={`${id}week`} className="input" value={week} onChange={(e) => setWeek(Number(e.target.value))}>
            {weeks.map((monday) => (
              <option key={monday} value={monday}>
                {shortDay(monday)}
              </option>
            ))}
          </select>
        </div>
        <div className="flex gap-1" role="group" aria-label={WORDS.howManyChambers}>
          {[1, 2, 3].map((n) => (
            <button
              key={n}
              type="button"
              className={`btn ${n === chambers ? 'solid' : ''}`}
              aria-pressed={n === chambers}
              onClick={() => setChambers(n)}
            >
              {counted(n, WORDS.chamber)}
            </button>
          ))}
        </div>
        <p className="max-w-[44ch] text-[0.92rem] text-ink2">
          {SCHOOL_WORDS[coolSchool]} {lostWords(sharings, chambers)}
        </p>
      </div>
      <div className="mt-3 flex flex-col gap-3">
        {sharing.chambers.map((chamber) => (
          <div
            key={chamber.setPoint_C}
            className="card grid grid-cols-1 gap-x-5 gap-y-1 min-[800px]:grid-cols-[150px_minmax(0,1fr)]"
          >
            <div>
              <p className="num text-[2.1rem]">{degrees(chamber.setPoint_C, unit)}</p>
              <p className="text-[0.9rem] text-ink2">
                {counted(
                  chamber.lots.reduce((sum, lot) => sum + (here.find((l) => l.id === lot.id)?.trays ?? 0), 0),
                  WORDS.tray,
                )}
                <br />
                {couldBe(
                  props,
                  chamber.setPoint_C,
                  chamber.lots.some((lot) => toSow.find((l) => l.id === lot.id)?.crop.light === 'light'),
                )}
              </p>
            </div>
            <ul>
              <DegreeTicks unit={unit} />
              {chamber.lots.map((lot) => (
                <LotLine
                  key={lot.id}
                  data={props}
                  lotId={lot.id}
                  name={nameOf(lot.id)}
                  range={ranges.find((r) => r.id === lot.id)!}
                  setPoints_C={sharing.chambers.map((c) => c.setPoint_C)}
                  own_C={chamber.setPoint_C}
                  days={lot.days}
                  slower_days={lot.slower_days}
                  share_frac={lot.share_frac}
                />
              ))}
            </ul>
          </div>
        ))}
        {sharing.wait.length > 0 && (
          <div className="card border-dashed">
            <p className="num text-xl">{WORDS.waitOrGoElsewhere}</p>
            <ul>
              {sharing.wait.map((lotId) => {
                const range = ranges.find((r) => r.id === lotId)!;
                return (
                  <li key={lotId} className="py-1">
                    <a href={`/batch/${lotId}`}>{nameOf(lotId)}</a>
                    <span className="text-ink2">
                      {range.high_C < range.low_C
                        ? WORDS.wantsOrMoreWhichThe(degrees(range.low_C, unit))
                        : WORDS.wantsTo(degrees(range.low_C, unit), degrees(range.high_C, unit))}
                    </span>
                  </li>
                );
              })}
            </ul>
          </div>
        )}
      </div>
    </section>
  );
}

function lostWords(sharings: readonly Sharing[], chambers: number): string {
  const lost = Math.round(sharings[chambers - 1]!.lost_trayDays);
  const more = sharings[chambers]?.lost_trayDays;
  const words = WORDS.sharingCostsAgainstEveryLot(counted(lost, WORDS.trayDay));
  if (more === undefined || lost - more < 1) return words;
  return WORDS.oneMoreChamberWouldSave(words, Math.round(lost - more));
}

/** Which of the house's places could be set to it. */
function couldBe({ chambers, unit }: SowTogetherData, setPoint_C: number, wantsLight: boolean): string {
  const exact = chambers.filter(
    (place) => (place.lit || !wantsLight) && place.levels_C.some((t) => Math.abs(t - setPoint_C) <= 1),
  );
  if (exact.length > 0) return exact.map((place) => place.name).join(WORDS.or);
  const near = [...chambers].sort((a, b) => Math.abs(a.now_C - setPoint_C) - Math.abs(b.now_C - setPoint_C))[0];
  return near ? WORDS.nearest(near.name, degrees(near.now_C, unit)) : '';
}

interface LineProps {
  readonly data: SowTogetherData;
  readonly lotId: number;
  readonly name: string;
  readonly range: LotRange;
  readonly setPoints_C: readonly number[];
  readonly own_C: number;
  readonly days: number;
  readonly slower_days: number;
  readonly share_frac: number | null;
}

/** Degrees above the range bars. */
function DegreeTicks({ unit }: { unit: SowTogetherData['unit'] }) {
  return (
    <li
      aria-hidden="true"
      className="hidden items-end gap-x-3 min-[640px]:grid min-[640px]:grid-cols-[minmax(0,1fr)_300px_116px]"
    >
      <span />
      <svg width="100%" height="15" viewBox={`0 0 ${W} 15`}>
        {[10, 15, 20, 25, 30].map((t) => (
          <text key={t} x={scale(t)} y="12" fontSize="11.5" fill="var(--color-ink2)" textAnchor="middle">
            {degrees(t, unit)}
          </text>
        ))}
      </svg>
    </li>
  );
}

const W = 300;
const scale = (t: number): number => ((t - COLDEST_C) / (HOTTEST_C - COLDEST_C)) * W;

/** A lot: its range as a bar with the chambers' settings on it, days and percent where it goes, and all degrees on demand. */
function LotLine({ data, lotId, name, range, setPoints_C, own_C, days, slower_days, share_frac }: LineProps) {
  const { unit } = data;
  const tops = range.at.filter((a) => a.allowed && a.days !== null);
  const fastest = Math.min(...tops.map((a) => a.days!));
  return (
    <li className="border-b border-line py-1.5 last:border-0">
      <details>
        <summary className="grid grid-cols-1 items-center gap-x-3 min-[640px]:grid-cols-[minmax(0,1fr)_300px_116px]">
          <span>
            <span className="font-semibold">{name}</span>
            {range.high_C < HOTTEST_C && (
              <span className="text-[0.88rem] text-ink2">{WORDS.best(degrees(range.best_C, unit))}</span>
            )}
          </span>
          <svg width="100%" height="34" viewBox={`0 0 ${W} 34`} preserveAspectRatio="none" aria-hidden="true">
            {range.at
              .filter((a) => a.allowed && a.temperature_C < HOTTEST_C)
              .map((a) => (
                <rect
                  key={a.temperature_C}
                  x={scale(a.temperature_C)}
                  y={26 - 20 * (fastest / a.days!)}
                  width={W / (HOTTEST_C - COLDEST_C) + 0.5}
                  height={20 * (fastest / a.days!)}
                  fill={temperatureColour(a.temperature_C)}
                />
              ))}
            <line x1="0" x2={W} y1="26.5" y2="26.5" stroke="var(--color-ink3)" />
            {setPoints_C.map((t) => (
              <line
                key={t}
                x1={scale(t)}
                x2={scale(t)}
                y1="2"
                y2="34"
                stroke="var(--color-ink)"
                strokeWidth={t === own_C ? 3 : 1}
                strokeDasharray={t === own_C ? 'none' : '3 3'}
              />
            ))}
          </svg>
          <span className="text-right">
            <span className="num text-xl">{Math.round(days * 10) / 10} d</span>
            <span className="block text-[0.85rem] text-ink2">
              {slower_days >= 0.5 ? WORDS.dSlower(Math.round(slower_days * 10) / 10) : WORDS.atItsBest}
              {share_frac !== null && `, ${Math.round(share_frac * 100)}%`}
            </span>
          </span>
        </summary>
        <div className="overflow-x-auto py-1" tabIndex={0} role="region" aria-label={WORDS.atEachDegree(name)}>
          <a href={`/batch/${lotId}`}>{WORDS.openTheBatch}</a>
          <table className="text-[0.85rem]">
            <caption className="sr-only">{WORDS.daysToHalfUpAnd(name)}</caption>
            <tbody>
              <tr>
                <th scope="row" className="pr-2 text-left font-semibold">
                  °{unit}
                </th>
                {range.at.map((a) => (
                  <td
                    key={a.temperature_C}
                    className={`px-1 text-right ${a.temperature_C === own_C ? 'font-bold' : ''}`}
                  >
                    {degrees(a.temperature_C, unit)}
                  </td>
                ))}
              </tr>
              <tr>
                <th scope="row" className="pr-2 text-left font-semibold">
                  {WORDS.days}
                </th>
                {range.at.map((a) => (
                  <td key={a.temperature_C} className={`px-1 text-right ${a.allowed ? '' : 'text-ink3'}`}>
                    {a.days === null ? '–' : Math.round(a.days)}
                  </td>
                ))}
              </tr>
              {range.at.some((a) => a.share_frac !== null) && (
                <tr>
                  <th scope="row" className="pr-2 text-left font-semibold">
                    %
                  </th>
                  {range.at.map((a) => (
                    <td key={a.temperature_C} className={`px-1 text-right ${a.allowed ? '' : 'text-ink3'}`}>
                      {a.share_frac === null ? '' : Math.round(a.share_frac * 100)}
                    </td>
                  ))}
                </tr>
              )}
            </tbody>
          </table>
        </div>
      </details>
    </li>
  );
}
