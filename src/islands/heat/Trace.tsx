import { Failed } from '../../ui/kit/Failed.tsx';
import { useGesture, type FullGestureState } from '@use-gesture/react';
import { px } from '../../ui/numbers.ts';
import { useEffect, useMemo, useRef, useState } from 'react';
import { scaleLinear } from 'd3-scale';
import { shownTemperature, type TemperatureUnit } from '../../core/units/temperature.ts';
import { readNow } from '../../ui/kit/data.ts';
import { clockTime, percent, tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/trace.ts';

interface Series {
  readonly role: string;
  readonly points: readonly (readonly [at_ms: number, low: number, mean: number, high: number])[];
}
interface Answer {
  readonly from_ms: number;
  readonly to_ms: number;
  readonly series: readonly Series[];
}
interface Props {
  readonly zoneId: number;
  readonly now_ms: number;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
  /** Grows when new readings are in. */
  readonly tick: number;
}

const HOUR = 3_600_000;
const SPANS: readonly (readonly [string, number])[] = [
  [WORDS.sixHours, 6],
  [WORDS.day, 24],
  [WORDS.week, 168],
  [WORDS.month, 744],
  [WORDS.season, 2952],
  [WORDS.year, 8784],
];
const LINES: Readonly<Record<string, { words: string; stroke: string; width: number; dash?: string }>> = {
  outside: { words: WORDS.outside, stroke: 'var(--color-water)', width: 1.4 },
  air: { words: WORDS.air, stroke: 'var(--color-ink3)', width: 1.4 },
  bed: { words: WORDS.bed, stroke: 'var(--color-copper)', width: 1.6 },
  set: { words: WORDS.set, stroke: 'var(--color-ink)', width: 1.2, dash: '5 4' },
  medium: { words: WORDS.medium, stroke: 'var(--color-ink)', width: 2.6 },
};
const H = 250;
const PAD = { left: 44, right: 62, top: 8, bottom: 40 };

/** Medium, bed, air and outside over time with the set-point and the heater's time on; drag, wheel, buttons or keys to move and zoom. */
export function Trace({ zoneId, now_ms, unit, timeZone, tick }: Props) {
  const [span, setSpan] = useState({ from: now_ms - 24 * HOUR, to: now_ms });
  const [following, setFollowing] = useState(true);
  const [data, setData] = useState<Answer | null>(null);
  const [wide, setWide] = useState(900);
  const [trouble, setTrouble] = useState('');
  const box = useRef<HTMLDivElement>(null);
  const shown = following ? { from: now_ms - (span.to - span.from), to: now_ms } : span;
  const { from, to } = shown;
  useEffect(() => {
    const measure = () => setWide(Math.max(320, Math.floor(box.current?.clientWidth ?? 900)));
    measure();
    addEventListener('resize', measure);
    return () => removeEventListener('resize', measure);
  }, []);
  // Asked for a little more than is seen, so that a drag has something to show; and not at each pixel.
  useEffect(() => {
    const wait = setTimeout(async () => {
      const margin = (to - from) / 4;
      const answer = await readNow<Answer>(
        `/api/heat/zones/${zoneId}/series?from=${Math.round(from - margin)}&to=${Math.round(Math.min(to + margin, now_ms + 60_000))}&width=${Math.min(1500, Math.round(wide * 1.2))}`,
      );
      if (answer.kind === 'done') {
        setData(answer.value);
        setTrouble('');
      } else setTrouble(WORDS.cannotBeRead);
    }, 90);
    return () => clearTimeout(wait);
  }, [zoneId, from, to, wide, tick, now_ms]);

  const right = wide - PAD.right;
  function show(nextFrom: number, nextTo: number): void {
    const length = Math.min(Math.max(nextTo - nextFrom, HOUR / 2), 3 * 8784 * HOUR);
    const end = Math.min(nextTo, now_ms);
    setSpan({ from: end - length, to: end });
    setFollowing(end >= now_ms);
  }
  const zoom = (factor: number, at = 0.5) => {
    const length = (to - from) * factor;
    const middle = from + (to - from) * at;
    show(middle - length * at, middle + length * (1 - at));
  };
  /** A finger or the mouse moves what is seen, two fingers come closer or go back. */
  const gestures = useGesture(
    {
      onDrag: ({ movement: [dx], memo = { from, to }, pinching, cancel }: FullGestureState<'drag'>) => {
        if (pinching) return cancel();
        const start = memo as { readonly from: number; readonly to: number };
        const by = (-dx / (right - PAD.left)) * (start.to - start.from);
        show(start.from + by, start.to + by);
        return start;
      },
      onPinch: ({ movement: [scale], memo = { from, to } }: FullGestureState<'pinch'>) => {
        const start = memo as { readonly from: number; readonly to: number };
        const [middle, half] = [(start.from + start.to) / 2, (start.to - start.from) / 2 / Math.max(0.05, scale)];
        show(middle - half, middle + half);
        return start;
      },
    },
    { drag: { pointer: { keys: false } } },
  );
  const move = (share: number) => show(from + (to - from) * share, to + (to - from) * share);

  const x = useMemo(() => scaleLinear([from, to], [PAD.left, right]), [from, to, right]);
  const temperatures = data?.series.filter((s) => s.role !== 'heater' && s.points.length > 0) ?? [];
  const seen = temperatures.flatMap((s) => s.points.filter(([t]) => t >= from && t <= to));
  const low = Math.min(0, ...seen.map(([, l]) => l));
  const high = Math.max(30, ...seen.map(([, , , h]) => h));
  const y = useMemo(() => scaleLinear([low - 1, high + 1], [H - PAD.bottom, PAD.top]), [low, high]);
  const heater = data?.series.find((s) => s.role === 'heater');
  const step = heater && heater.points.length > 1 ? heater.points[1]![0] - heater.points[0]![0] : 60_000;
  const ticks = timeTicks(from, to, Math.max(3, Math.floor(wide / 130)));
  const long = to - from > 3 * 24 * HOUR;
  const labels = spread(
    temperatures.flatMap((s) => {
      const last = s.points.findLast(([t]) => t <= to);
      return last ? [{ role: s.role, y: y(last[2]) }] : [];
    }),
  );
  return (
    <section aria-label={WORDS.readingsOverTime}>
      <div className="flex flex-wrap items-center gap-1">
        <h2 className="mr-2">{WORDS.readings}</h2>
        {SPANS.map(([words, hours]) => (
          <button
            key={words}
            type="button"
            className="btn small"
            aria-pressed={Math.abs(to - from - hours * HOUR) < HOUR / 10}
            onClick={() => show(now_ms - hours * HOUR, now_ms)}
          >
            {words}
          </button>
        ))}
        <span className="ml-auto flex gap-1">
          <button type="button" className="btn small" aria-label={WORDS.earlier} onClick={() => move(-0.5)}>
            ◀
          </button>
          <button
            type="button"
            className="btn small"
            aria-label={WORDS.later}
            disabled={following}
            onClick={() => move(0.5)}
          >
            ▶
          </button>
          <button type="button" className="btn small" aria-label={WORDS.closer} onClick={() => zoom(0.5)}>
            +
          </button>
          <button type="button" className="btn small" aria-label={WORDS.wider} onClick={() => zoom(2)}>
            −
          </button>
        </span>
      </div>
      {trouble && <Failed words={trouble} />}
      <div
        ref={box}
        role="application"
        aria-label={WORDS.readingsArrowKeysMovePlus}
        tabIndex={0}
        className="mt-1 cursor-grab touch-pan-y select-none"
        onKeyDown={(e) => {
          if (e.key === 'ArrowLeft') move(-0.25);
          else if (e.key === 'ArrowRight') move(0.25);
          else if (e.key === '+' || e.key === '=') zoom(0.5);
          else if (e.key === '-') zoom(2);
          else return;
          e.preventDefault();
        }}
        onWheel={(e) => {
          if (
            !e.ctrlKey &&
            !e.shiftKey &&
            Math.abs(e.deltaX) < Math.abs(e.deltaY) &&
            document.activeElement !== e.currentTarget
          )
            return;
          if (e.shiftKey || Math.abs(e.deltaX) > Math.abs(e.deltaY)) move((e.deltaX || e.deltaY) / 1500);
          else zoom(e.deltaY > 0 ? 1.2 : 1 / 1.2, (e.nativeEvent.offsetX - PAD.left) / (right - PAD.left));
        }}
        {...gestures()}
      >
        <svg width={wide} height={H} aria-hidden="true" className="block max-w-full overflow-hidden">
          <defs>
            <clipPath id="trace">
              <rect x={PAD.left} y={0} width={right - PAD.left} height={H} />
            </clipPath>
          </defs>
          {y.ticks(4).map((t) => (
            <g key={t}>
              <line x1={PAD.left} x2={right} y1={y(t)} y2={y(t)} stroke="var(--color-line)" />
              <text x={PAD.left - 6} y={y(t) + 4} fontSize="12" textAnchor="end" fill="var(--color-ink2)">
                {Math.round(shownTemperature(t, unit))}°{unit}
              </text>
            </g>
          ))}
          {ticks.map((t) => (
            <text key={t} x={x(t)} y={H - 4} fontSize="12" textAnchor="middle" fill="var(--color-ink2)">
              {long ? dayWords(t, timeZone) : clockTime(t, timeZone)}
            </text>
          ))}
          <text x={PAD.left - 6} y={H - 22} fontSize="12" textAnchor="end" fill="var(--color-ink2)">
            {WORDS.on}
          </text>
          <g clipPath="url(#trace)">
            {heater?.points.map(([t, , mean]) =>
              mean > 0 ? (
                <rect
                  key={t}
                  x={x(t)}
                  y={H - 30 + 10 * (1 - mean)}
                  width={Math.max(1, x(t + step) - x(t) + 0.4)}
                  height={10 * mean}
                  fill="var(--color-brick)"
                />
              ) : null,
            )}
            {Object.entries(LINES).map(([role, style]) => {
              const series = temperatures.find((s) => s.role === role);
              if (!series) return null;
              return (
                <g key={role}>
                  {role === 'medium' && <path d={bandOf(series, x, y)} fill="var(--color-ink3)" opacity="0.25" />}
                  <path
                    d={pathOf(series, x, y)}
                    fill="none"
                    stroke={style.stroke}
                    strokeWidth={style.width}
                    strokeDasharray={style.dash}
                  />
                </g>
              );
            })}
          </g>
          {labels.map((l) => (
            <text
              key={l.role}
              x={right + 5}
              y={l.y + 4}
              fontSize="12.5"
              fontWeight={l.role === 'medium' ? 700 : 400}
              fill={LINES[l.role]?.stroke}
            >
              {LINES[l.role]?.words}
            </text>
          ))}
        </svg>
      </div>
      <details className="mt-1">
        <summary className="text-[0.92rem]">{WORDS.theSameAsATable}</summary>
        {data && <TraceTable data={data} from={from} to={to} unit={unit} timeZone={timeZone} />}
      </details>
    </section>
  );
}

type Scale = (n: number) => number;

/** A gap of more than three buckets is left open. */
function pathOf({ points }: Series, x: Scale, y: Scale): string {
  const gap = points.length > 1 ? 3.5 * medianGap(points) : Infinity;
  let d = '';
  points.forEach(([t, , mean], i) => {
    const joined = i > 0 && t - points[i - 1]![0] <= gap;
    d += `${joined ? 'L' : 'M'}${px(x(t))} ${px(y(mean))}`;
  });
  return d;
}

function bandOf({ points }: Series, x: Scale, y: Scale): string {
  if (points.length < 2) return '';
  const up = points.map(([t, , , high]) => `${px(x(t))} ${px(y(high))}`);
  const down = points.map(([t, low]) => `${px(x(t))} ${px(y(low))}`).reverse();
  return `M${up.join('L')}L${down.join('L')}Z`;
}

function medianGap(points: Series['points']): number {
  const gaps = points.slice(1, 60).map(([t], i) => t - points[i]![0]);
  return gaps.sort((a, b) => a - b)[gaps.length >> 1]!;
}

/** Names at the right edge that do not lie on each other. */
function spread(list: { role: string; y: number }[]): { role: string; y: number }[] {
  const sorted = [...list].sort((a, b) => a.y - b.y);
  for (let i = 1; i < sorted.length; i++)
    sorted[i] = { ...sorted[i]!, y: Math.max(sorted[i]!.y, sorted[i - 1]!.y + 14) };
  return sorted;
}

const STEPS = [1 / 6, 0.5, 1, 2, 3, 6, 12, 24, 48, 168, 336, 744, 1488].map((h) => h * HOUR);

function timeTicks(from: number, to: number, most: number): number[] {
  const step = STEPS.find((s) => (to - from) / s <= most) ?? STEPS.at(-1)!;
  const out: number[] = [];
  for (let t = Math.ceil(from / step) * step; t <= to; t += step) out.push(t);
  return out;
}

function dayWords(at_ms: number, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric', month: 'short' }).format(at_ms);
}

interface TableProps {
  readonly data: Answer;
  readonly from: number;
  readonly to: number;
  readonly unit: TemperatureUnit;
  readonly timeZone: string;
}

const ROWS = 12;

function TraceTable({ data, from, to, unit, timeZone }: TableProps) {
  const roles = ['medium', 'set', 'bed', 'air', 'outside', 'heater'].filter((r) =>
    data.series.some((s) => s.role === r && s.points.length > 0),
  );
  const at = Array.from({ length: ROWS }, (_, i) => from + ((i + 1) * (to - from)) / ROWS);
  const near = (role: string, t: number) =>
    data.series.find((s) => s.role === role)?.points.findLast(([p]) => p <= t) ?? null;
  return (
    <table className="plain-table dense">
      <thead>
        <tr>
          <th>{WORDS.at}</th>
          {roles.map((r) => (
            <th key={r} className="r">
              {r === 'heater' ? WORDS.heaterOn : r}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {at.map((t) => (
          <tr key={t}>
            <td>{clockTime(t, timeZone, true)}</td>
            {roles.map((r) => {
              const p = near(r, t);
              return (
                <td key={r} className="r num">
                  {p ? (r === 'heater' ? percent(p[2]) : tenth(p[2], unit)) : '·'}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
