import { px } from '../../ui/numbers.ts';
import type { LidDay } from '../../core/heat/lid.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { whole } from '../weather/SkyRow.tsx';
import { WORDS } from '../../words/en/hardening/hourChart.ts';

const WIDTH = 620;
const HEIGHT = 230;
const LEFT = 34;
const BOTTOM = 24;

interface Props {
  readonly day: LidDay;
  readonly outside_C: readonly number[];
  readonly range: { readonly least_C: number; readonly most_C: number };
  readonly unit: 'C' | 'F';
  readonly steps: readonly string[];
}

/** A structure's day by the hour: outside, shut, open, and as advised; the plants' range behind. The table beside says the same. */
export function HourChart({ day, outside_C, range, unit, steps }: Props) {
  const all = [...day.shut_C, ...day.open_C, ...day.advised_C, ...outside_C, range.least_C];
  const low = Math.floor((Math.min(...all) - 2) / 5) * 5;
  const high = Math.ceil((Math.max(...all) + 2) / 5) * 5;
  const x = (hour: number) => LEFT + ((WIDTH - LEFT) * hour) / 24;
  const y = (t: number) => (HEIGHT - BOTTOM) * (1 - (t - low) / (high - low)) + 4;
  const path = (line: readonly number[]) =>
    line.map((t, i) => `${i === 0 ? 'M' : 'L'}${px(x((day.hours[i] ?? i) + 1))} ${px(y(t))}`).join('');
  const marks = Array.from({ length: (high - low) / 5 + 1 }, (_, i) => low + 5 * i);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-[760px]"
      role="img"
      aria-label={WORDS.insideByTheHourShut}
    >
      <rect
        x={LEFT}
        width={WIDTH - LEFT}
        y={y(range.most_C)}
        height={Math.max(0, y(range.least_C) - y(range.most_C))}
        className="fill-[#e6e8df]"
      />
      {marks.map((t) => (
        <g key={t}>
          <line x1={LEFT} x2={WIDTH} y1={y(t)} y2={y(t)} className="stroke-line" />
          <rect x={LEFT - 6} y={y(t) - 6} width="4" height="12" fill={temperatureColour(t)} />
          <text x={LEFT - 9} y={y(t) + 4} fontSize="12" textAnchor="end" className="fill-ink2">
            {whole(t, unit)}
          </text>
        </g>
      ))}
      {[0, 6, 12, 18].map((hour) => (
        <text key={hour} x={x(hour)} y={HEIGHT - 4} fontSize="12" className="fill-ink2">
          {hour}:00
        </text>
      ))}
      {day.moves.map((move, i) => (
        <g key={i}>
          <line
            x1={x(move.hour)}
            x2={x(move.hour)}
            y1="4"
            y2={HEIGHT - BOTTOM}
            className="stroke-plum"
            strokeDasharray="2 4"
          />
          <text
            x={x(move.hour) + 3}
            y={HEIGHT - BOTTOM - 6 - 15 * (i % 2)}
            fontSize="12.5"
            fontWeight="650"
            className="fill-plum"
          >
            {steps[move.step]}
          </text>
        </g>
      ))}
      <path d={path(outside_C)} fill="none" className="stroke-ink3" strokeWidth="1.5" />
      <path d={path(day.shut_C)} fill="none" className="stroke-brick" strokeWidth="2" strokeDasharray="6 4" />
      <path d={path(day.open_C)} fill="none" className="stroke-ink2" strokeWidth="1.5" strokeDasharray="2 3" />
      <path d={path(day.advised_C)} fill="none" className="stroke-plum" strokeWidth="3" />
      <text
        x={x(day.shutMostAt)}
        y={Math.max(14, y(day.shutMost_C) - 8)}
        textAnchor="middle"
        fontSize="12.5"
        fontWeight="650"
        className="fill-brick"
      >
        {WORDS.shutAtTheMost(whole(day.shutMost_C, unit))}
      </text>
      <text x={x(19)} y={y(outside_C[18] ?? low) + 14} fontSize="12" className="fill-ink2">
        {WORDS.outside}
      </text>
    </svg>
  );
}
