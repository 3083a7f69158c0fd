import { isOver } from '../../core/batch/event.ts';
import { scaleLinear } from 'd3-scale';
import { useDrag } from '@use-gesture/react';
import { useCallback, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { BY_POINTER } from '../../ui/kit/byPointer.ts';
import type { KeptWeeks } from '../../contracts/plan/planner.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { shortDay } from '../../ui/format.ts';
import { house as reads } from '../../ui/house.ts';
import {
  Bands,
  boxOf,
  Calendar,
  fit,
  LaneGrounds,
  Overflow,
  SetPoints,
  stemPath,
  Stems,
  type Scale,
} from './occupancyParts.tsx';
import { LANE_GAP, type Lane } from './lanes.ts';
import { SITE_px, SiteStrip } from './SiteStrip.tsx';
import { WeekBrush } from './WeekBrush.tsx';
import { WORK_px, WorkStrip } from './WorkStrip.tsx';
import type { WeekWork } from '../../core/plan/placement/work.ts';
import { bandsOf, type Band, type Worked } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/occupancyTimeline.ts';

/** What a drag of a band asks for: the stage it shows, days along, and the lane it was let go over. */
export interface BandDrag {
  readonly batchId: number;
  readonly index: number;
  readonly days: number;
  readonly placeId: number;
}

interface Props {
  readonly house: HouseData;
  readonly lanes: readonly Lane[];
  readonly height: number;
  readonly worked: ReadonlyMap<number, Worked>;
  /** Hours of work by week, under the days. */
  readonly weeks: readonly WeekWork[];
  readonly from: number;
  readonly to: number;
  readonly perDay_px: number;
  readonly selectedId: number | null;
  /** Batches the filter leaves out are drawn faintly; null = none. */
  readonly faint: ReadonlySet<number> | null;
  /** Whether bands may be dragged: not while a proposal is looked at. */
  readonly fixed: boolean;
  /** Weeks kept as they are, and whether more are being brushed over. */
  readonly kept: readonly KeptWeeks[];
  readonly brushing: boolean;
  readonly onKeep: (more: readonly KeptWeeks[]) => void;
  /** The selected batch as it would be with what is being tried. */
  readonly trial: readonly Band[] | null;
  readonly onSelect: (batchId: number) => void;
  /** The transplant date dragged by so many days. */
  readonly onDrag: (days: number) => void;
  readonly onBand: (drag: BandDrag) => void;
  readonly onDrop: () => void;
  readonly onKey: (event: KeyboardEvent) => void;
  readonly onBandKey: (event: KeyboardEvent, index: number) => void;
}

export const HEAD_px = 44;
/** What is held: a band, or the end of the chain. */
type Held = { readonly batchId: number; readonly index: number; readonly placeId: number } | 'end';

/** The descent: places from warmest to coldest, batches as bands by day, their moves as hooked stems. */
export function OccupancyTimeline(props: Props) {
  const { house, lanes, height, worked, weeks, from, to, perDay_px, selectedId, faint, fixed, trial, onSelect } = props;
  const x = useMemo(
    () =>
      scaleLinear()
        .domain([from, to])
        .range([0, (to - from) * perDay_px]),
    [from, to, perDay_px],
  );
  const [overId, setOverId] = useState<number | null>(null);
  const held = useRef<Held | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const width = x(to);
  const selected = selectedId === null ? null : (worked.get(selectedId) ?? null);

  // A press selects; farther than a few pixels it drags what was pressed.
  const drag = useDrag(({ initial: [startX], xy: [clientX, clientY], last, canceled, cancel }) => {
    const what = held.current;
    if (!what) return cancel();
    if (last) {
      held.current = null;
      if (!canceled) props.onDrop();
      return;
    }
    const days = Math.round((clientX - startX) / perDay_px);
    if (what === 'end') return props.onDrag(days);
    const y = clientY - svg.current!.getBoundingClientRect().top - HEAD_px;
    const over = lanes.find((lane) => y >= lane.top - LANE_GAP / 2 && y < lane.top + lane.height + LANE_GAP / 2);
    props.onBand({ batchId: what.batchId, index: what.index, days, placeId: over?.place.id ?? what.placeId });
  }, BY_POINTER);

  const hold = useCallback(
    (e: PointerEvent, band: Band): void => {
      onSelect(band.batchId);
      held.current = null;
      if (fixed || e.button !== 0 || e.pointerType === 'touch') return;
      const { batchId, index, placeId } = band;
      held.current = { batchId, index, placeId };
    },
    [onSelect, fixed],
  );

  return (
    <svg
      ref={svg}
      width={width}
      height={height + HEAD_px + (house.siteDays ? SITE_px : 0) + WORK_px + 6}
      role="group"
      aria-label={WORDS.seasonDrawingPlacesFromWarmest}
      className="block touch-pan-x touch-pan-y select-none"
      {...drag()}
    >
      <defs>
        <pattern id="over-room" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--color-brick-soft)" />
          <rect width="2" height="6" fill="var(--color-brick)" />
        </pattern>
        <pattern id="kept-weeks" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="1.4" height="9" fill="var(--color-ink)" fillOpacity="0.55" />
        </pattern>
      </defs>
      <Calendar
        {...{ from, to, x }}
        height={height + HEAD_px}
        firstWeekday={reads().firstWeekday}
        today={house.today}
      />
      <g transform={`translate(0 ${HEAD_px})`}>
        <LaneGrounds lanes={lanes} house={house} from={from} to={to} x={x} />
        <Stems {...{ lanes, worked, x, faint, overId }} skip={selectedId} />
        <Bands {...{ lanes, worked, x, faint, house }} skip={selectedId} onHold={hold} onOver={setOverId} />
        {/* What is past is pale, under what stands now. */}
        <rect
          x="0"
          y="0"
          width={Math.max(0, x(house.today))}
          height={height}
          fill="var(--color-lime)"
          fillOpacity="0.6"
          pointerEvents="none"
        />
        <Overflow lanes={lanes} x={x} />
        <SetPoints lanes={lanes} house={house} from={from} to={to} x={x} />
        {selected && (
          <SelectedBands {...props} selected={selected} x={x} onHold={hold} onGripEnd={() => (held.current = 'end')} />
        )}
        {trial && selected && (
          <g pointerEvents="none">
            {trial.map((band) => {
              const lane = lanes.find((l) => l.place.id === band.placeId);
              if (!lane) return null;
              const at = lane.laid.find((l) => l.band.batchId === band.batchId && l.band.index === band.index);
              return (
                <rect
                  key={band.index}
                  x={x(band.from)}
                  y={(at ? lane.top + at.top * lane.perSlot_px : lane.top + 2) - 1}
                  width={Math.max(3, x(band.to) - x(band.from))}
                  height={Math.max(5, band.slots * lane.perSlot_px) + 2}
                  rx="2"
                  fill="var(--color-plum)"
                  fillOpacity="0.16"
                  stroke="var(--color-ink)"
                  strokeWidth="2"
                  strokeDasharray="5 3"
                />
              );
            })}
          </g>
        )}
        <WeekBrush
          {...{ lanes, x, from, to, perDay_px, height }}
          kept={props.kept}
          brushing={props.brushing}
          onKeep={props.onKeep}
        />
        <line
          x1={x(house.today + 0.5)}
          x2={x(house.today + 0.5)}
          y1={-8}
          y2={height}
          stroke="var(--color-ink)"
          strokeWidth="2"
          pointerEvents="none"
        />
      </g>
      {house.siteDays && (
        <g transform={`translate(0 ${HEAD_px + height + 6})`}>
          <SiteStrip house={house} site={house.siteDays} from={from} to={to} x={x} />
        </g>
      )}
      <g transform={`translate(0 ${HEAD_px + height + 6 + (house.siteDays ? SITE_px : 0)})`}>
        <WorkStrip weeks={weeks} x={x} />
      </g>
      <g pointerEvents="none">
        <rect x={x(house.today + 0.5) - 27} y="4" width="54" height="20" rx="2" fill="var(--color-ink)" />
        <text
          x={x(house.today + 0.5)}
          y="18.5"
          fontSize="13"
          fontWeight="650"
          fill="var(--color-on-plum)"
          textAnchor="middle"
        >
          {shortDay(house.today)}
        </text>
      </g>
    </svg>
  );
}

interface SelectedProps extends Props {
  readonly selected: Worked;
  readonly x: Scale;
  readonly onHold: (e: PointerEvent, band: Band) => void;
  readonly onGripEnd: () => void;
}

/** The chosen batch in plum through the whole house; each band to be taken hold of, and the end of the chain. */
function SelectedBands(props: SelectedProps) {
  const { lanes, selected, x, house, trial, fixed, onKey, onBandKey, onHold, onGripEnd } = props;
  const { batch, progress } = selected;
  const bands = bandsOf(selected);
  const open = !isOver(batch.state.phase) && !fixed;
  const endBox = boxOf(lanes, batch.id, bands.length - 1, x);
  return (
    <g>
      <path d={stemPath(lanes, batch.id, bands.length, x)} fill="none" stroke="var(--color-plum)" strokeWidth="2.6" />
      {bands.map((band) => {
        const box = boxOf(lanes, batch.id, band.index, x);
        if (!box) return null;
        const place = house.places.find((p) => p.id === band.placeId)?.name ?? '';
        const movable = open && band.from >= house.today;
        return (
          <g
            key={band.index}
            {...(movable
              ? {
                  role: 'button',
                  tabIndex: 0,
                  'aria-label': WORDS.inFromToLeftAnd(
                    STAGE_WORDS[band.stage],
                    place,
                    shortDay(band.from),
                    shortDay(band.to),
                  ),
                  onKeyDown: (e: KeyboardEvent) => onBandKey(e, band.index),
                }
              : {})}
            className={movable ? 'cursor-grab' : ''}
            onPointerDown={(e) => movable && onHold(e, band)}
          >
            <rect
              x={box.x}
              y={box.y}
              width={box.width}
              height={Math.max(box.height, 5)}
              rx="2"
              fill="var(--color-plum)"
              className="settle"
            />
            {box.width > 60 && box.height > 13 && (
              <text
                x={box.x + 5}
                y={box.y + Math.min(box.height - 3, 13)}
                fontSize="12"
                fontWeight="650"
                fill="var(--color-on-plum)"
              >
                {fit(batch.name, box.width - 8)}
              </text>
            )}
          </g>
        );
      })}
      {open && endBox && (
        <g
          role="slider"
          tabIndex={0}
          aria-label={WORDS.transplantDateOfArrowKeys(batch.name)}
          aria-valuenow={batch.plan.transplantOn}
          aria-valuetext={shortDay(trial?.at(-1)?.to ?? progress.stands.at(-1)?.to ?? batch.plan.transplantOn)}
          className="cursor-ew-resize"
          style={{ touchAction: 'none' }}
          onPointerDown={onGripEnd}
          onKeyDown={onKey}
        >
          <rect
            x={endBox.x + endBox.width - 8}
            y={endBox.y + endBox.height / 2 - 16}
            width="30"
            height="32"
            fill="transparent"
          />
          <circle
            cx={endBox.x + endBox.width + 5}
            cy={endBox.y + endBox.height / 2}
            r="9"
            fill="var(--color-on-plum)"
            stroke="var(--color-plum)"
            strokeWidth="3"
          />
          <path
            d={`M${endBox.x + endBox.width + 1} ${endBox.y + endBox.height / 2}h8m-5.5-3l-3 3 3 3m3-6l3 3-3 3`}
            stroke="var(--color-plum)"
            strokeWidth="1.6"
            fill="none"
          />
        </g>
      )}
    </g>
  );
}

const STAGE_WORDS: Readonly<Record<Band['stage'], string>> = {
  germinate: WORDS.germinates,
  grow: WORDS.growsOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.hardens,
};
