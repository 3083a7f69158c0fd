import { weekdayOf } from '../../core/calendar/dayNumber.ts';
import { windWords } from '../../core/units/words.ts';
import type { Flag } from '../../core/weather/forecast.ts';
import type { SkyDay } from '../../contracts/hardening/hardenViews.ts';
import { degrees, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { WORDS } from '../../words/en/weather/skyRow.ts';

export const FLAG_WORDS: Readonly<Record<Flag, string>> = {
  frost: WORDS.frost,
  'ground-frost': WORDS.groundFrost,
  gale: WORDS.gale,
  heat: WORDS.heat,
  sun: WORDS.strongSun,
};
const BAD: ReadonlySet<Flag> = new Set(['frost', 'gale', 'heat']);
const WEEKDAYS = [WORDS.mon, WORDS.tue, WORDS.wed, WORDS.thu, WORDS.fri, WORDS.sat, WORDS.sun];

/** "Mon 12". */
export function dayHead(day: number): string {
  return `${WEEKDAYS[weekdayOf(day) - 1]} ${shortDay(day).split(' ')[0]}`;
}

/** A whole degree, for where there is little room. */
export function whole(t: number, unit: 'C' | 'F'): string {
  return degrees(unit === 'F' ? t : Math.round(t), unit);
}

interface Props {
  readonly day: SkyDay;
  readonly today: number;
  readonly unit: 'C' | 'F';
}

/** A day of the forecast in a column: high, the night's low on its colour, gusts, dangers in words. */
export function SkyCell({ day, today, unit }: Props) {
  const gust = day.gust_m_s ?? 0;
  return (
    <div className="min-w-0 text-[0.85rem] leading-tight">
      <p className={`whitespace-nowrap ${day.day === today ? 'font-bold' : 'text-ink2'}`}>
        {day.day === today ? WORDS.today : dayHead(day.day)}
      </p>
      <p className="num text-base">{day.most_C === null ? '–' : whole(day.most_C, unit)}</p>
      <p className="flex items-center gap-1">
        <svg width="8" height="18" aria-hidden="true" className="flex-none">
          <rect width="8" height="18" fill={day.night_C === null ? 'none' : temperatureColour(day.night_C)} />
        </svg>
        <span className="num text-lg">{day.night_C === null ? '–' : whole(day.night_C, unit)}</span>
      </p>
      <p className="text-ink2 max-[700px]:hidden">{gust > 0 ? windWords(gust, unit) : ' '}</p>
      {day.flags.map((flag) => (
        <p key={flag} className={BAD.has(flag) ? 'pr-2 font-bold text-brick' : 'pr-2 text-ink2 max-[700px]:hidden'}>
          {FLAG_WORDS[flag]}
        </p>
      ))}
    </div>
  );
}

/** Where the forecast is from and how old it is; said loudly when it is old or ends early. */
export function ForecastAge({
  forecast,
  here = false,
}: {
  readonly here?: boolean;
  readonly forecast: {
    readonly source: string;
    readonly age_h: number;
    readonly stale: boolean;
    readonly short_days: number;
    readonly days: readonly unknown[];
    readonly tries: { readonly failures: number; readonly problem: string } | null;
  } | null;
}) {
  if (!forecast || forecast.days.length === 0)
    return (
      <p className="note-bar bad my-2">
        {WORDS.noForecastUntilThenThe(
          forecast?.tries?.problem ? WORDS.theService(forecast.tries.problem) : '',
          <a key="1" href="/weather">
            {WORDS.typeOneOrReadA}
          </a>,
        )}
      </p>
    );
  const { age_h, stale, short_days, tries } = forecast;
  const age =
    age_h < 1
      ? WORDS.lessThanAnHourOld
      : age_h < 48
        ? WORDS.hOld(Math.round(age_h))
        : WORDS.daysOld(Math.round(age_h / 24));
  if (!stale && short_days === 0 && !tries?.failures)
    return <p className="text-[0.9rem] text-ink2">{WORDS.forecast(forecast.source, age)}</p>;
  return (
    <p className="note-bar bad my-2">
      {WORDS.theForecastIs(
        age,
        stale && WORDS.lookAtTheSky,
        tries && tries.failures > 0 ? WORDS.serviceFails(tries.problem) : '',
        short_days > 0 && WORDS.itEndsEarlyOfTen(10 - short_days),
        !here && (
          <a key="2" href="/weather">
            {WORDS.forecast2}
          </a>
        ),
      )}
    </p>
  );
}
