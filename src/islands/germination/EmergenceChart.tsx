import { Area, ComposedChart, ErrorBar, Line, Scatter, XAxis, YAxis, CartesianGrid, ReferenceLine } from 'recharts';
import type { EmergenceData } from '../../contracts/germination/emergence.ts';
import { shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/germination/emergenceChart.ts';

interface Props {
  readonly data: EmergenceData;
  readonly others: readonly EmergenceData[];
  readonly width: number;
  readonly todayAt: number;
  /** Percent of the seeds sown instead of plants, so that trays of other sizes compare. */
  readonly percent: boolean;
}

/** Line styles of batches compared: told by dash and mark as well as by shade. */
const OTHERS = [
  { stroke: 'var(--color-ink)', dash: '7 4' },
  { stroke: 'var(--color-ink3)', dash: '2 3' },
  { stroke: 'var(--color-brick)', dash: '10 3 2 3' },
] as const;

const stepOf = (n: number): number =>
  [1, 2, 5, 10, 20, 25, 50, 100, 200, 500, 1000, 2000, 5000].find((s) => n / s <= 5) ?? 10_000;
const niceTop = (n: number): number => Math.ceil(n / stepOf(n)) * stepOf(n);
const ticksTo = (n: number): number[] => Array.from({ length: Math.round(n / stepOf(n)) + 1 }, (_, i) => i * stepOf(n));

/** Counts against what was expected. The band holds nine in ten trays like this one. */
export function EmergenceChart({ data, others, width, todayAt, percent }: Props) {
  const scale = (n: number | null, sown: number) => (n === null ? null : percent ? (100 * n) / sown : n);
  const days = Math.max(data.days.length, ...others.map((o) => o.days.length));
  const rows = Array.from({ length: days }, (_, day) => {
    const own = data.days[day];
    const row: Record<string, unknown> = { day };
    if (own) {
      row['expected'] = scale(own.expected.mean, data.sown);
      row['band'] = [scale(own.expected.low, data.sown), scale(own.expected.high, data.sown)];
      row['later'] = own.now ? [scale(own.now.low, data.sown), scale(own.now.high, data.sown)] : undefined;
      row['hill'] = scale(own.hill, data.sown);
      row['up'] = scale(own.up, data.sown);
      if (own.up !== null && own.wilson) {
        row['limits'] = [scale(own.up - own.wilson.low, data.sown), scale(own.wilson.high - own.up, data.sown)];
      }
    }
    others.forEach((other, i) => (row[WORDS.other(i)] = scale(other.days[day]?.up ?? null, other.sown)));
    return row;
  });
  const every = Math.max(1, Math.ceil(days / (width / 62)));
  return (
    <ComposedChart
      data={rows}
      width={width}
      height={Math.min(380, Math.max(240, width * 0.5))}
      margin={{ top: 12, right: 28, bottom: 4, left: 0 }}
      accessibilityLayer={false}
    >
      <CartesianGrid stroke="var(--color-line)" vertical={false} />
      <XAxis
        dataKey="day"
        interval={every - 1}
        tickFormatter={(day: number) => shortDay(data.sownOn + day)}
        tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
      />
      <YAxis
        width={44}
        domain={[0, percent ? 100 : niceTop(data.sown)]}
        ticks={ticksTo(percent ? 100 : niceTop(data.sown))}
        tick={{ fill: 'var(--color-ink2)', fontSize: 13 }}
        unit={percent ? '%' : ''}
        allowDecimals={false}
      />
      <Area dataKey="band" fill="var(--color-line)" stroke="none" isAnimationActive={false} activeDot={false} />
      <Area
        dataKey="later"
        fill="#6a256033"
        stroke="var(--color-plum)"
        strokeDasharray="3 3"
        isAnimationActive={false}
        activeDot={false}
      />
      <Line dataKey="expected" stroke="var(--color-ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
      <Line dataKey="hill" stroke="var(--color-plum)" strokeWidth={2} dot={false} isAnimationActive={false} />
      {others.map((other, i) => (
        <Line
          key={other.batchId}
          dataKey={`other${i}`}
          connectNulls
          stroke={OTHERS[i]!.stroke}
          strokeDasharray={OTHERS[i]!.dash}
          strokeWidth={2.5}
          isAnimationActive={false}
          dot={{ r: 3 }}
        />
      ))}
      {todayAt >= 0 && todayAt < days && (
        <ReferenceLine
          x={todayAt}
          stroke="var(--color-ink)"
          strokeDasharray="2 4"
          label={{ value: WORDS.today, position: 'insideTopRight', fill: 'var(--color-ink)', fontSize: 13 }}
        />
      )}
      <ReferenceLine
        y={percent ? (100 * data.needed) / data.sown : data.needed}
        stroke="var(--color-brick)"
        strokeDasharray="8 4"
        label={{
          value: WORDS.wanted(data.needed),
          position: 'insideTopLeft',
          fill: 'var(--color-brick)',
          fontSize: 13,
        }}
      />
      <Scatter dataKey="up" fill="var(--color-plum)" isAnimationActive={false}>
        <ErrorBar dataKey="limits" width={6} stroke="var(--color-plum)" strokeWidth={2} direction="y" />
      </Scatter>
    </ComposedChart>
  );
}
