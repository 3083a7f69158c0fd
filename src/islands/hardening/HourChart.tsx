import type { LidDay } from '../../core/heat/lid.ts';
import { Chart } from '../../ui/kit/Chart.tsx';
import { LineKey } from '../../ui/kit/LineKey.tsx';
import { whole } from '../weather/SkyRow.tsx';
import { WORDS } from '../../words/en/hardening/hourChart.ts';

interface Props {
  readonly day: LidDay;
  readonly outside_C: readonly number[];
  readonly range: { readonly least_C: number; readonly most_C: number };
  readonly unit: 'C' | 'F';
  readonly steps: readonly string[];
}

const STEP_K = 5;

/** A structure's day by the hour: outside, shut, open, and as advised; the plants' range behind. The table beside says the same. */
export function HourChart({ day, outside_C, range, unit, steps }: Props) {
  const all = [...day.shut_C, ...day.open_C, ...day.advised_C, ...outside_C, range.least_C];
  const low = Math.floor((Math.min(...all) - 2) / STEP_K) * STEP_K;
  const high = Math.ceil((Math.max(...all) + 2) / STEP_K) * STEP_K;
  const rows = day.hours.map((hour, i) => ({
    hour: hour + 1,
    outside: outside_C[i],
    shut: day.shut_C[i],
    open: day.open_C[i],
    advised: day.advised_C[i],
  }));
  return (
    <div className="max-w-[760px]">
      <Chart
        label={WORDS.insideByTheHourShut}
        height="usual"
        rows={rows}
        x="hour"
        xDomain={[0, 24]}
        xTicks={[0, 6, 12, 18, 24]}
        xTick={(hour) => `${hour}:00`}
        yDomain={[low, high]}
        yTicks={Array.from({ length: (high - low) / STEP_K + 1 }, (_, i) => low + STEP_K * i)}
        yTick={(t) => whole(t, unit)}
        bands={[{ at: { y1: range.least_C, y2: Math.min(high, range.most_C) }, fill: 'var(--color-line)' }]}
        lines={[
          { key: 'outside', stroke: 'var(--color-ink3)', width: 1.5 },
          { key: 'shut', stroke: 'var(--color-brick)', dash: '6 4' },
          { key: 'open', stroke: 'var(--color-ink2)', width: 1.5, dash: '2 3' },
          { key: 'advised', stroke: 'var(--color-plum)', width: 3 },
        ]}
        marks={day.moves.map((move, i) => ({
          at: { x: move.hour },
          stroke: 'var(--color-plum)',
          dash: '2 4',
          words: steps[move.step] ?? '',
          place: i % 2 === 0 ? ('insideBottomLeft' as const) : ('insideTopLeft' as const),
        }))}
      />
      <ul className="flex flex-wrap gap-x-5 text-[0.9rem]">
        <LineKey stroke="var(--color-plum)" width={3} words={WORDS.asAdvised} />
        <LineKey stroke="var(--color-brick)" dash="6 4" words={WORDS.shutAtTheMost(whole(day.shutMost_C, unit))} />
        <LineKey stroke="var(--color-ink2)" dash="2 3" words={WORDS.open} />
        <LineKey stroke="var(--color-ink3)" words={WORDS.outside} />
      </ul>
    </div>
  );
}
