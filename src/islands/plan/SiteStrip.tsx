import { px } from '../../ui/numbers.ts';
import { memo } from 'react';
import { civilFromDay } from '../../core/calendar/dayNumber.ts';
import { nearestOccurrence } from '../../core/calendar/monthDay.ts';
import type { HouseData, SiteDays } from '../../contracts/plan/seasonData.ts';
import { degrees } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import type { Scale } from './occupancyParts.tsx';
import { WORDS } from '../../words/en/plan/siteStrip.ts';

/** Height of the strip under the lanes. */
export const SITE_px = 62;
const FROST_px = 30;
const SOIL_TOP = 40;
const SOIL_px = 16;

interface Props {
  readonly house: HouseData;
  readonly site: SiteDays;
  readonly from: number;
  readonly to: number;
  readonly x: Scale;
}

/** The first and fifteenth of each month between two days. */
function marksBetween(from: number, to: number): number[] {
  const marks: number[] = [];
  for (let day = from; day < to; day++) {
    const { day: d } = civilFromDay(day);
    if (d === 1 || d === 15) marks.push(day);
  }
  return marks;
}

/** Last days to set out for autumn within the days drawn, by hardiness, at the risk taken. */
function lastOuts({ frost }: HouseData, from: number, to: number): { day: number; words: string }[] {
  return (['half-hardy', 'hardy'] as const).flatMap((hardiness) => {
    const date = frost?.lastOut?.[hardiness];
    if (!date) return [];
    const day = nearestOccurrence(date, Math.floor((from + to) / 2));
    return day >= from && day < to ? [{ day, words: WORDS.lastOut(hardiness) }] : [];
  });
}

/** Under the same days: the chance that frost still comes (autumn: has come), and the soil at 10 cm on the ramp of temperature. */
export const SiteStrip = memo(function SiteStrip({ house, site, from, to, x }: Props) {
  const at = <T,>(list: readonly T[], day: number): T | null => list[day - site.from] ?? null;
  const days = Array.from({ length: to - from }, (_, i) => from + i);
  let area = `M${x(from)} ${FROST_px}`;
  for (const day of days) {
    const odds = at(site.frost_frac, day) ?? 0;
    area += `L${x(day)} ${px(FROST_px * (1 - odds))}L${x(day + 1)} ${px(FROST_px * (1 - odds))}`;
  }
  area += `L${x(to)} ${FROST_px}Z`;
  const marks = marksBetween(from, to);
  return (
    <g pointerEvents="none" aria-hidden="true">
      <path d={area} fill="var(--color-line)" />
      <line x1={x(from)} x2={x(to)} y1={FROST_px} y2={FROST_px} stroke="var(--color-ink3)" />
      {days
        .filter((day) => (day - from) % 3 === 0)
        .map((day) => {
          const soil = at(site.soil_C, day);
          return soil === null ? null : (
            <rect
              key={day}
              x={x(day)}
              y={SOIL_TOP}
              width={x(Math.min(to, day + 3)) - x(day)}
              height={SOIL_px}
              fill={temperatureColour(soil)}
            />
          );
        })}
      {lastOuts(house, from, to).map(({ day, words }, i) => (
        <g key={words}>
          <line
            x1={x(day)}
            x2={x(day)}
            y1={0}
            y2={FROST_px}
            stroke="var(--color-plum)"
            strokeWidth="2"
            strokeDasharray="5 3"
          />
          <text
            x={x(day) - 4}
            y={10 + 13 * (i % 2)}
            textAnchor="end"
            fontSize="12.5"
            fontWeight="600"
            fill="var(--color-plum)"
          >
            {words}
          </text>
        </g>
      ))}
      {marks.map((day) => {
        const odds = at(site.frost_frac, day);
        const soil = at(site.soil_C, day);
        return (
          <g key={day}>
            {odds !== null && (
              <text x={x(day) + 3} y={FROST_px - 4} fontSize="12.5" fontWeight="600" fill="var(--color-ink)">
                {Math.round(100 * odds)}%
              </text>
            )}
            {soil !== null && (
              <text
                x={x(day) + 3}
                y={SOIL_TOP + 13}
                fontSize="12.5"
                fontWeight="600"
                fill={soil < 3 ? '#fff' : '#1d2823'}
              >
                {degrees(house.unit === 'F' ? soil : Math.round(soil), house.unit)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
});
