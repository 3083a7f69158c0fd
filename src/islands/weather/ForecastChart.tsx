import { Area, CartesianGrid, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import { shownTemperature } from '../../core/units/temperature.ts';
import type { SkyDay } from '../../contracts/hardening/hardenViews.ts';
import { dayHead } from './SkyRow.tsx';

interface Props {
  readonly days: readonly SkyDay[];
  readonly width: number;
  readonly unit: 'C' | 'F';
}

/** Highs and lows of the ten days; the shade below a low is where nine nights of ten stay above. */
export function ForecastChart({ days, width, unit }: Props) {
  const t = (value: number | null) => (value === null ? null : Math.round(10 * shownTemperature(value, unit)) / 10);
  const rows = days.map((d) => ({
    day: d.day,
    high: t(d.most_C),
    low: t(d.night_C),
    band: d.low10_C === null || d.night_C === null ? undefined : [t(d.low10_C), t(2 * d.night_C - d.low10_C)],
  }));
  const all = rows.flatMap((r) => [r.high, r.low, ...(r.band ?? [])]).filter((v) => v !== null);
  const step = unit === 'F' ? 10 : 5;
  const low = Math.floor(Math.min(...all) / step) * step;
  const high = Math.ceil(Math.max(...all) / step) * step;
  const ticks = Array.from({ length: (high - low) / step + 1 }, (_, i) => low + step * i);
  const freezing = unit === 'F' ? 32 : 0;
  return (
    <ComposedChart
      data={rows}
      width={width}
      height={240}
      margin={{ top: 10, right: 34, bottom: 4, left: 0 }}
      accessibilityLayer={false}
    >
      <CartesianGrid stroke="var(--color-line)" vertical={false} />
      <XAxis
        dataKey="day"
        tickFormatter={(day: number) => dayHead(day)}
        tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
        interval={width < 560 ? 1 : 0}
      />
      <YAxis
        width={50}
        unit={`°${unit}`}
        domain={[low, high]}
        ticks={ticks}
        tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
        allowDecimals={false}
      />
      <Area dataKey="band" fill="var(--color-line)" stroke="none" isAnimationActive={false} activeDot={false} />
      <ReferenceLine y={freezing} stroke="var(--color-brick)" strokeDasharray="6 4" />
      <Line dataKey="high" stroke="var(--color-ink)" strokeWidth={2} isAnimationActive={false} dot={{ r: 3 }} />
      <Line
        dataKey="low"
        stroke="var(--color-plum)"
        strokeWidth={2.5}
        isAnimationActive={false}
        dot={{ r: 4, fill: 'var(--color-plum)' }}
      />
    </ComposedChart>
  );
}
