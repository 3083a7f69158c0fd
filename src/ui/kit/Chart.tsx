import { later } from './later.tsx';
import { Suspense } from 'react';
import { Waiting } from './Waiting.tsx';
import { WORDS } from '../../words/en/ui/chart.ts';
import { useWidth } from '../useWidth.ts';

// Charts come when the page stands: what is read and tapped is not kept waiting for them.
const PlainChart = later(() => import('./PlainChart.tsx').then((m) => m.default));

type Row = Readonly<Record<string, unknown>>;
/** Where a line or a field lies: at an x, at a y, or between two of them. */
interface LineAt {
  readonly x?: number;
  readonly y?: number;
}
interface FieldAt {
  readonly x1?: number;
  readonly x2?: number;
  readonly y1?: number;
  readonly y2?: number;
}

export interface ChartProps {
  readonly rows: readonly Row[];
  /** Key of what runs along the foot: figures, or for bars the name of each. */
  readonly x: string;
  readonly xDomain?: readonly [number, number];
  readonly xTicks?: readonly number[];
  readonly xTick: (value: number) => string;
  readonly yDomain: readonly [number, number];
  readonly yTicks?: readonly number[];
  /** null: no axis is drawn. */
  readonly yTick: ((value: number) => string) | null;
  readonly lines?: readonly {
    readonly key: string;
    readonly stroke: string;
    readonly width?: number;
    readonly dash?: string;
  }[];
  /** Keys of pairs, low and high. */
  readonly areas?: readonly { readonly key: string; readonly fill: string }[];
  readonly points?: readonly { readonly key: string; readonly fill: string }[];
  readonly bars?: {
    readonly key: string;
    readonly fill: (row: Row) => string;
    readonly stroke?: (row: Row) => string;
  };
  readonly marks?: readonly {
    readonly at: LineAt;
    readonly stroke: string;
    readonly width?: number;
    readonly dash?: string;
    readonly words?: string;
    readonly place?: 'insideTopLeft' | 'insideTopRight' | 'insideBottomLeft' | 'insideBottomRight' | 'right';
  }[];
  readonly bands?: readonly { readonly at: FieldAt; readonly fill: string; readonly words?: string }[];
  /** Room on the right, px. */
  readonly right?: number;
}

interface Props extends ChartProps {
  /** What it shows, read out. The same figures stand in a table or in words beside it. */
  readonly label: string;
  readonly height: 'low' | 'usual';
}

const HEIGHTS = { low: [150, 'h-[150px]'], usual: [240, 'h-[240px]'] } as const;

/** An ordinary chart: its room is kept from the start, it is drawn when it is known how wide it may be. */
export function Chart({ label, height, ...chart }: Props) {
  const [box, width] = useWidth();
  const [tall, tallClass] = HEIGHTS[height];
  return (
    <div ref={box} role="img" aria-label={label} className={`w-full overflow-hidden ${tallClass}`}>
      {width > 0 && (
        <Suspense fallback={<Waiting words={WORDS.drawing} />}>
          <PlainChart {...chart} width={width} height={tall} />
        </Suspense>
      )}
    </div>
  );
}
