import type { WeatherView } from '../../contracts/weather/weather.ts';
import { shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/weather/frostYears.ts';

const ROW = 9;
const LEFT = 56;
const WIDTH = 900;
const MONTHS = [
  WORDS.jan,
  WORDS.feb,
  WORDS.mar,
  WORDS.apr,
  WORDS.may,
  WORDS.jun,
  WORDS.jul,
  WORDS.aug,
  WORDS.sep,
  WORDS.oct,
  WORDS.nov,
  WORDS.dec,
];
const STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334];

/** Every season as a line from its last frost to its first, the dates at the chosen risk drawn through; the same as a table. */
export function FrostYears({ frost }: { readonly frost: WeatherView['frost'] }) {
  const { years, south, spring, autumn } = frost;
  const x = (offset: number) => LEFT + ((WIDTH - LEFT) * offset) / 365;
  const height = years.length * ROW + 24;
  const first = south ? 6 : 0;
  return (
    <section className="mt-4">
      <h2>{WORDS.yearByYear}</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS.frostYearByYearDrawn}>
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          className="w-full min-w-[640px] max-w-[1100px]"
          role="img"
          aria-label={WORDS.seasonsWithoutFrostOfYears(years.length)}
        >
          {MONTHS.map((_, i) => {
            const month = (first + i) % 12;
            const offset = (STARTS[month]! - STARTS[first]! + 365) % 365;
            return (
              <g key={month}>
                <line x1={x(offset)} x2={x(offset)} y1="16" y2={height} className="stroke-line" />
                <text x={x(offset) + 3} y="12" fontSize="11" className="fill-ink2">
                  {MONTHS[month]}
                </text>
              </g>
            );
          })}
          {years.map((year, i) => {
            const y = 20 + i * ROW;
            const from = year.springOffset ?? 0;
            const to = year.autumnOffset ?? 365;
            const known = year.springKnown && year.autumnKnown;
            return (
              <g key={year.label}>
                {(i % 5 === 0 || years.length < 16) && (
                  <text x="0" y={y + 7} fontSize="10" className="fill-ink2">
                    {year.label}
                  </text>
                )}
                <rect
                  x={x(from)}
                  y={y}
                  width={Math.max(1, x(to) - x(from))}
                  height={ROW - 3}
                  className={known ? 'fill-ink3' : 'fill-line'}
                />
              </g>
            );
          })}
          {[spring, autumn].map(({ at }, i) =>
            at && Number.isFinite(at.offset) ? (
              <line
                key={i}
                x1={x(at.offset)}
                x2={x(at.offset)}
                y1="16"
                y2={height}
                className="stroke-plum"
                strokeWidth="2.5"
                strokeDasharray={i === 0 ? undefined : '7 4'}
              />
            ) : null,
          )}
        </svg>
      </div>
      <p className="text-[0.95rem] text-ink2">{WORDS.greyWithoutFrostPaleToo}</p>
      <details>
        <summary className="link-btn">{WORDS.theSameAsATable}</summary>
        <div className="max-h-96 overflow-auto" tabIndex={0} role="region" aria-label={WORDS.frostYearByYear}>
          <table className="plain-table max-w-2xl">
            <thead>
              <tr>
                <th>{WORDS.season}</th>
                <th>{WORDS.lastFrost}</th>
                <th>{WORDS.firstFrost}</th>
                <th className="r">{WORDS.daysMissing}</th>
                <th>{WORDS.goneBy}</th>
              </tr>
            </thead>
            <tbody>
              {years.map((year) => (
                <tr key={year.label}>
                  <td>{year.label}</td>
                  <td>{year.lastSpring === null ? WORDS.none : shortDay(year.lastSpring)}</td>
                  <td>{year.firstAutumn === null ? WORDS.none : shortDay(year.firstAutumn)}</td>
                  <td className="r">{year.missing}</td>
                  <td>
                    {[year.springKnown && WORDS.spring, year.autumnKnown && WORDS.autumn].filter(Boolean).join(', ') ||
                      WORDS.no}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}
