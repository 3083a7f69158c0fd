import { decimal } from '../../ui/numbers.ts';
import { memo } from 'react';
import type { WeekWork } from '../../core/plan/placement/work.ts';
import { shortDay } from '../../ui/format.ts';
import type { Scale } from './occupancyParts.tsx';
import { WORDS } from '../../words/en/plan/workStrip.ts';

/** Height of the strip under the site's. */
export const WORK_px = 40;
const BAR_px = 26;
const LEAST_WIDTH_px = 26;

interface Props {
  readonly weeks: readonly WeekWork[];
  readonly x: Scale;
}

/** Hours of work by week under the same days; hatched where there are not hands for all of it. */
export const WorkStrip = memo(function WorkStrip({ weeks, x }: Props) {
  const most = Math.max(1, ...weeks.map((w) => Math.max(w.hours, w.hands_h ?? 0)));
  return (
    <g pointerEvents="none" aria-hidden="true">
      {weeks.map(({ week, hours, hands_h }) => {
        const width = x(week + 7) - x(week) - 2;
        const height = (BAR_px * hours) / most;
        const isOver = hands_h !== null && hours > hands_h + 0.05;
        return (
          <g key={week} transform={`translate(${x(week) + 1} 0)`}>
            <rect
              y={BAR_px - height}
              width={width}
              height={height}
              fill={isOver ? 'var(--color-brick)' : 'var(--color-ink3)'}
            />
            {hands_h !== null && (
              <line
                x1={0}
                x2={width}
                y1={BAR_px - (BAR_px * hands_h) / most}
                y2={BAR_px - (BAR_px * hands_h) / most}
                stroke="var(--color-ink)"
                strokeWidth="2"
              />
            )}
            {width >= LEAST_WIDTH_px && (
              <text
                x={width / 2}
                y={BAR_px + 12}
                textAnchor="middle"
                fontSize="12"
                fontWeight="600"
                fill="var(--color-ink)"
              >
                {hours < 10 ? decimal(hours, 1) : Math.round(hours)}
                {isOver ? '!' : ''}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
});

/** The same as a table. */
export function WorkTable({ weeks }: Pick<Props, 'weeks'>) {
  return (
    <details className="mt-2">
      <summary className="min-h-9 py-1">{WORDS.hoursOfWorkByWeek}</summary>
      <table className="plain-table dense max-w-md">
        <thead>
          <tr>
            <th scope="col">{WORDS.weekOf}</th>
            <th scope="col" className="r">
              {WORDS.hours}
            </th>
            <th scope="col" className="r">
              {WORDS.handsFor}
            </th>
          </tr>
        </thead>
        <tbody>
          {weeks.map(({ week, hours, hands_h }) => (
            <tr key={week}>
              <td>{shortDay(week)}</td>
              <td className="r">{decimal(hours, 1)}</td>
              <td className="r">{hands_h === null ? WORDS.allOfIt : decimal(hands_h, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
