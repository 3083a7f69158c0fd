import {
  Area,
  Bar,
  CartesianGrid,
  Cell,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts';
import type { ChartProps } from './Chart.tsx';

const TICK = { fill: 'var(--color-ink2)', fontSize: 13 };

/** An ordinary chart on the house's paper, drawn by Recharts. Loaded by Chart where it is shown. */
export default function PlainChart(props: ChartProps & { readonly width: number; readonly height: number }) {
  const { rows, x, width, height, xDomain, xTicks, xTick, yDomain, yTicks, yTick } = props;
  const { lines = [], areas = [], points = [], bars, marks = [], bands = [] } = props;
  return (
    <ComposedChart
      data={rows as object[]}
      width={width}
      height={height}
      margin={{ top: 14, right: props.right ?? 18, bottom: 2, left: 0 }}
      accessibilityLayer={false}
      barCategoryGap={1}
    >
      {!bars && <CartesianGrid stroke="var(--color-line)" vertical={false} />}
      {bands.map((band, i) => (
        <ReferenceArea
          key={i}
          {...band.at}
          fill={band.fill}
          fillOpacity={1}
          stroke="none"
          ifOverflow="hidden"
          {...(band.words === undefined
            ? {}
            : { label: { value: band.words, position: 'insideBottom', fill: 'var(--color-ink2)', fontSize: 12 } })}
        />
      ))}
      <XAxis
        dataKey={x}
        type={bars ? 'category' : 'number'}
        domain={xDomain ? [...xDomain] : ['dataMin', 'dataMax']}
        {...(xTicks ? { ticks: [...xTicks] } : {})}
        tickFormatter={(value: number) => xTick(value)}
        tick={TICK}
        interval={xTicks ? 0 : 'preserveStartEnd'}
        allowDataOverflow
      />
      <YAxis
        width={46}
        hide={yTick === null}
        domain={[...yDomain]}
        {...(yTicks ? { ticks: [...yTicks] } : {})}
        tickFormatter={(value: number) => yTick?.(value) ?? ''}
        tick={TICK}
        allowDataOverflow
      />
      {areas.map((area) => (
        <Area
          key={area.key}
          dataKey={area.key}
          fill={area.fill}
          stroke="none"
          type="linear"
          isAnimationActive={false}
          activeDot={false}
        />
      ))}
      {bars && (
        <Bar dataKey={bars.key} isAnimationActive={false}>
          {rows.map((row, i) => (
            <Cell key={i} fill={bars.fill(row)} stroke={bars.stroke?.(row)} />
          ))}
        </Bar>
      )}
      {lines.map((line) => (
        <Line
          key={line.key}
          dataKey={line.key}
          type="linear"
          stroke={line.stroke}
          strokeWidth={line.width ?? 2}
          {...(line.dash ? { strokeDasharray: line.dash } : {})}
          dot={false}
          isAnimationActive={false}
        />
      ))}
      {marks.map((mark, i) => (
        <ReferenceLine
          key={i}
          {...mark.at}
          stroke={mark.stroke}
          strokeWidth={mark.width ?? 1.5}
          {...(mark.dash ? { strokeDasharray: mark.dash } : {})}
          {...(mark.words === undefined
            ? {}
            : {
                label: {
                  value: mark.words,
                  position: mark.place ?? 'insideTopLeft',
                  fill: mark.stroke,
                  fontSize: 13,
                  fontWeight: 650,
                },
              })}
        />
      ))}
      {points.map((point) => (
        <Scatter key={point.key} dataKey={point.key} fill={point.fill} isAnimationActive={false} />
      ))}
    </ComposedChart>
  );
}
