import { decimal } from '../../ui/numbers.ts';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { WORDS } from '../../words/en/books/responseChart.ts';

interface Props {
  readonly unit: 'C' | 'F';
  readonly curve: readonly {
    readonly t: number;
    readonly days: number | null;
  }[];
  readonly points: readonly { readonly t: number; readonly days: number }[];
  readonly best: number;
}

const MOST_DAYS = 30;

/** Days to half up against temperature: the curve in use, the table's own points on it. Loaded only where it is shown. */
export default function ResponseChart({ unit, curve, points, best }: Props) {
  const shown = curve.map((p) => ({
    t: p.t,
    days: p.days !== null && p.days <= MOST_DAYS ? p.days : null,
  }));
  const most = Math.min(MOST_DAYS, Math.ceil(Math.max(8, ...shown.map((p) => p.days ?? 0)) / 5) * 5);
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart data={shown} margin={{ top: 12, right: 16, bottom: 18, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--color-line)" vertical={false} />
        <XAxis
          dataKey="t"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickCount={9}
          tick={{ fontSize: 13, fill: 'var(--color-ink2)' }}
          label={{
            value: WORDS.medium(unit),
            position: 'insideBottom',
            offset: -10,
            fontSize: 13,
            fill: 'var(--color-ink2)',
          }}
        />
        <YAxis
          domain={[0, most]}
          tick={{ fontSize: 13, fill: 'var(--color-ink2)' }}
          width={40}
          label={{
            value: 'days',
            angle: -90,
            position: 'insideLeft',
            fontSize: 13,
            fill: 'var(--color-ink2)',
          }}
        />
        {Number.isFinite(best) && (
          <ReferenceLine
            x={best}
            stroke="var(--color-ink)"
            strokeDasharray="4 3"
            label={{
              value: 'best',
              position: 'top',
              fontSize: 12,
              fill: 'var(--color-ink)',
            }}
          />
        )}
        <Line
          dataKey="days"
          stroke="var(--color-ink)"
          strokeWidth={2.4}
          dot={false}
          isAnimationActive={false}
          name={WORDS.daysToHalfUp}
        />
        <Scatter
          data={points.filter((p) => p.days <= most)}
          dataKey="days"
          fill="var(--color-plum)"
          isAnimationActive={false}
          name="table"
        />
        <Tooltip
          formatter={(value) => [WORDS.days(decimal(Number(value), 1)), '']}
          labelFormatter={(t) => `${decimal(Number(t), 0)}°${unit}`}
          separator=""
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
}
