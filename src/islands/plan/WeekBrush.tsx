import { useDrag } from '@use-gesture/react';
import { useRef, useState } from 'react';
import { mondayOf } from '../../core/calendar/week.ts';
import type { KeptWeeks } from '../../contracts/plan/planner.ts';
import type { Scale } from './occupancyParts.tsx';
import { LANE_GAP, type Lane } from './lanes.ts';
import { WORDS } from '../../words/en/plan/weekBrush.ts';

interface Props {
  readonly lanes: readonly Lane[];
  readonly x: Scale;
  readonly from: number;
  readonly to: number;
  readonly perDay_px: number;
  readonly height: number;
  readonly kept: readonly KeptWeeks[];
  readonly brushing: boolean;
  readonly onKeep: (more: readonly KeptWeeks[]) => void;
}

interface Stroke {
  readonly day0: number;
  readonly y0: number;
  readonly day1: number;
  readonly y1: number;
}

/** Weeks kept as they are, over the lanes; while brushing, a stroke over lanes and weeks adds to them. */
export function WeekBrush({ lanes, x, from, to, perDay_px, height, kept, brushing, onKeep }: Props) {
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const sheet = useRef<SVGRectElement>(null);
  const at = ([clientX, clientY]: readonly [number, number]): { day: number; y: number } => {
    const box = sheet.current!.getBoundingClientRect();
    return { day: from + Math.floor((clientX - box.left) / perDay_px), y: clientY - box.top };
  };
  // A press is a stroke of one week of one lane.
  const brush = useDrag(
    ({ initial, xy, last, canceled }) => {
      const [start, end] = [at(initial), at(xy)];
      const now: Stroke = { day0: start.day, y0: start.y, day1: end.day, y1: end.y };
      if (last && !canceled) onKeep(weeksUnder(now, lanes));
      setStroke(last ? null : now);
    },
    { pointer: { keys: false } },
  );
  const drawn = stroke ? weeksUnder(stroke, lanes) : [];
  return (
    <g>
      {[...kept, ...drawn].map((one, i) => {
        const lane = lanes.find((l) => l.place.id === one.placeId);
        if (!lane) return null;
        return (
          <g key={i} pointerEvents="none">
            <rect
              x={x(one.from)}
              y={lane.top - 2}
              width={x(one.to) - x(one.from)}
              height={lane.roomHeight_px + 4}
              fill="url(#kept-weeks)"
              stroke="var(--color-ink)"
              strokeWidth="1.6"
            />
            <rect x={x(one.from)} y={lane.top - 2} width="40" height="16" fill="var(--color-ink)" />
            <text
              x={x(one.from) + 20}
              y={lane.top + 10}
              fontSize="12"
              fontWeight="650"
              fill="var(--color-on-plum)"
              textAnchor="middle"
            >
              {WORDS.kept}
            </text>
          </g>
        );
      })}
      {brushing && (
        <rect
          ref={sheet}
          x={0}
          y={0}
          width={x(to)}
          height={height}
          fill="transparent"
          className="cursor-crosshair"
          style={{ touchAction: 'none' }}
          {...brush()}
        />
      )}
    </g>
  );
}

/** Whole weeks of the lanes that a stroke goes over. */
function weeksUnder({ day0, y0, day1, y1 }: Stroke, lanes: readonly Lane[]): KeptWeeks[] {
  const [top, bottom] = [Math.min(y0, y1), Math.max(y0, y1)];
  const from = mondayOf(Math.min(day0, day1));
  const to = mondayOf(Math.max(day0, day1)) + 7;
  return lanes
    .filter((lane) => lane.top - LANE_GAP / 2 <= bottom && lane.top + lane.height + LANE_GAP / 2 > top)
    .map((lane) => ({ placeId: lane.place.id, from, to }));
}
