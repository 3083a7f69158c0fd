import { scaleLinear } from 'd3-scale';
import { memo, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { civilFromDay, dayFromCivil } from '../../core/calendar/dayNumber.ts';
import type { HouseData } from '../../contracts/seasonData.ts';
import { monthName, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import type { Lane } from './lanes.ts';
import type { Band, Worked } from './useSeason.ts';

interface Props {
  readonly house: HouseData;
  readonly lanes: readonly Lane[];
  readonly height: number;
  readonly worked: ReadonlyMap<number, Worked>;
  readonly from: number;
  readonly to: number;
  readonly perDay_px: number;
  readonly selectedId: number | null;
  /** The selected batch as it would be with the date being tried. */
  readonly trial: readonly Band[] | null;
  readonly onSelect: (batchId: number) => void;
  readonly onDrag: (days: number) => void;
  readonly onDrop: () => void;
  readonly onKey: (event: KeyboardEvent) => void;
}

export const HEAD_px = 30;

/** The descent: places from warmest to coldest, batches as bands by day, their moves as hooked stems. */
export function Descent(props: Props) {
  const { house, lanes, height, worked, from, to, perDay_px, selectedId, trial, onSelect, onDrag, onDrop, onKey } =
    props;
  const x = useMemo(
    () =>
      scaleLinear()
        .domain([from, to])
        .range([0, (to - from) * perDay_px]),
    [from, to, perDay_px],
  );
  const grip = useRef<{ startX: number; moved: number } | null>(null);
  const width = x(to);
  const selected = selectedId === null ? null : (worked.get(selectedId) ?? null);
  const end = selected?.progress.stands.at(-1);
  const lockable = selected && selected.batch.state.phase !== 'planted' && selected.batch.state.phase !== 'ended';

  function drag(e: PointerEvent): void {
    if (!grip.current) return;
    const days = Math.round((e.clientX - grip.current.startX) / perDay_px);
    if (days !== grip.current.moved) {
      grip.current.moved = days;
      onDrag(days);
    }
  }

  const endBox = end && selected ? boxOf(lanes, selected.batch.id, selected.progress.stands.length - 1, x) : null;
  return (
    <svg
      width={width}
      height={height + HEAD_px}
      role="group"
      aria-label="Season drawing: places from warmest to coldest, batches as bands by day. The table says the same."
      className="block touch-pan-x touch-pan-y select-none"
      onPointerMove={drag}
      onPointerUp={() => {
        if (grip.current) onDrop();
        grip.current = null;
      }}
      onPointerCancel={() => (grip.current = null)}
    >
      <defs>
        <pattern id="over-room" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="#fbf1ee" />
          <rect width="1.3" height="6" fill="#98291c" fillOpacity="0.75" />
        </pattern>
      </defs>
      <Calendar from={from} to={to} x={x} height={height + HEAD_px} />
      <g transform={`translate(0 ${HEAD_px})`}>
        <LaneGrounds lanes={lanes} house={house} from={from} to={to} x={x} />
        <Stems lanes={lanes} worked={worked} x={x} today={house.today} skip={selectedId} />
        <Bands lanes={lanes} worked={worked} x={x} today={house.today} skip={selectedId} onSelect={onSelect} />
        {selected && (
          <g>
            <path
              d={stemPath(lanes, selected.batch.id, selected.progress.stands.length, x)}
              fill="none"
              stroke="#6a2560"
              strokeWidth="2.6"
            />
            {selected.progress.stands.map((_, i) => {
              const box = boxOf(lanes, selected.batch.id, i, x);
              if (!box) return null;
              return (
                <g key={i}>
                  <rect
                    x={box.x}
                    y={box.y}
                    width={box.width}
                    height={box.height}
                    rx="2"
                    fill="#6a2560"
                    className="settle"
                  />
                  {box.width > 60 && box.height > 13 && (
                    <text
                      x={box.x + 5}
                      y={box.y + Math.min(box.height - 3, 13)}
                      fontSize="12"
                      fontWeight="650"
                      fill="#fff"
                    >
                      {fit(selected.batch.name, box.width - 8)}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        )}
        {trial && selected && (
          <g pointerEvents="none">
            {trial.map((band) => {
              const lane = lanes.find((l) => l.place.id === band.placeId);
              const at = boxOf(lanes, selected.batch.id, Math.min(band.index, selected.progress.stands.length - 1), x);
              if (!lane || !at) return null;
              const laneAt = lane.laid.find((l) => l.band.batchId === band.batchId && l.band.index === band.index);
              const y = laneAt ? lane.top + laneAt.top * lane.perSlot_px : lane.top + 2;
              return (
                <rect
                  key={band.index}
                  x={x(band.from)}
                  y={y - 1}
                  width={Math.max(3, x(band.to) - x(band.from))}
                  height={Math.max(5, band.slots * lane.perSlot_px) + 2}
                  rx="2"
                  fill="none"
                  stroke="#1d2823"
                  strokeWidth="2"
                  strokeDasharray="5 3"
                />
              );
            })}
          </g>
        )}
        {lockable && endBox && (
          <g
            role="slider"
            tabIndex={0}
            aria-label={`Transplant date of ${selected.batch.name}: arrow keys move it a day, Page Up and Down a week, Enter keeps, Escape drops`}
            aria-valuenow={selected.batch.plan.transplantOn}
            aria-valuetext={shortDay(trial?.at(-1)?.to ?? selected.batch.plan.transplantOn)}
            className="cursor-ew-resize"
            style={{ touchAction: 'none' }}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              grip.current = { startX: e.clientX, moved: 0 };
            }}
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
              fill="#fff"
              stroke="#6a2560"
              strokeWidth="3"
            />
            <path
              d={`M${endBox.x + endBox.width + 1} ${endBox.y + endBox.height / 2}h8m-5.5-3l-3 3 3 3m3-6l3 3-3 3`}
              stroke="#6a2560"
              strokeWidth="1.6"
              fill="none"
            />
          </g>
        )}
        <line
          x1={x(house.today + 0.5)}
          x2={x(house.today + 0.5)}
          y1={-8}
          y2={height}
          stroke="#1d2823"
          strokeWidth="2"
          pointerEvents="none"
        />
      </g>
      <g pointerEvents="none">
        <rect x={x(house.today + 0.5) - 27} y="4" width="54" height="20" rx="2" fill="#1d2823" />
        <text x={x(house.today + 0.5)} y="18.5" fontSize="13" fontWeight="650" fill="#fff" textAnchor="middle">
          {shortDay(house.today)}
        </text>
      </g>
    </svg>
  );
}

type Scale = (day: number) => number;

function Calendar({ from, to, x, height }: { from: number; to: number; x: Scale; height: number }) {
  const marks: React.ReactNode[] = [];
  const first = civilFromDay(from);
  for (let i = 0; ; i++) {
    const month = ((first.month - 1 + i) % 12) + 1;
    const start = dayFromCivil(first.year + Math.floor((first.month - 1 + i) / 12), month, 1);
    if (start > to) break;
    const left = Math.max(start, from);
    marks.push(
      <g key={start}>
        <line x1={x(start)} x2={x(start)} y1="8" y2={height} stroke="#b9bdb0" strokeWidth="1" />
        <text x={x(left) + 5} y="19" fontSize="13.5" fontWeight="600" fill="#4d5952">
          {monthName(month)}
        </text>
      </g>,
    );
  }
  return <g pointerEvents="none">{marks}</g>;
}

interface GroundProps {
  readonly lanes: readonly Lane[];
  readonly house: HouseData;
  readonly from: number;
  readonly to: number;
  readonly x: Scale;
}

/** Lanes tinted by their temperature, period by period. */
const LaneGrounds = memo(function LaneGrounds({ lanes, from, to, x }: GroundProps) {
  return (
    <g pointerEvents="none">
      {lanes.map((lane) => (
        <g key={lane.place.id}>
          {lane.tints
            .filter((tint) => tint.to > from && tint.from < to)
            .map((tint) => {
              const left = x(Math.max(tint.from, from));
              return (
                <rect
                  key={tint.from}
                  x={left}
                  y={lane.top}
                  width={x(Math.min(tint.to, to)) - left}
                  height={lane.roomHeight_px}
                  fill={temperatureColour(tint.mean_C)}
                />
              );
            })}
          {lane.height > lane.roomHeight_px && (
            <line
              x1={0}
              x2={x(to)}
              y1={lane.top + lane.roomHeight_px}
              y2={lane.top + lane.roomHeight_px}
              stroke="#98291c"
              strokeWidth="1.5"
            />
          )}
        </g>
      ))}
    </g>
  );
});

interface BandsProps {
  readonly lanes: readonly Lane[];
  readonly worked: ReadonlyMap<number, Worked>;
  readonly x: Scale;
  readonly today: number;
  readonly skip: number | null;
  readonly onSelect: (batchId: number) => void;
}

const Bands = memo(function Bands({ lanes, worked, x, today, skip, onSelect }: BandsProps) {
  return (
    <g>
      {lanes.flatMap((lane) =>
        lane.laid.map(({ band, top, over }) => {
          if (band.batchId === skip) return null;
          const name = worked.get(band.batchId)!.batch.name;
          const past = band.to <= today;
          const present = band.from <= today && band.to > today;
          const y = lane.top + top * lane.perSlot_px;
          const height = Math.max(3, band.slots * lane.perSlot_px - 1);
          const width = Math.max(3, x(band.to) - x(band.from) - 1);
          return (
            <g key={`${band.batchId}/${band.index}`} onClick={() => onSelect(band.batchId)} className="cursor-pointer">
              <title>{`${name}: ${lane.place.name}, ${shortDay(band.from)} to ${shortDay(band.to)}, ${band.slots} slots`}</title>
              <rect
                x={x(band.from)}
                y={y}
                width={width}
                height={height}
                rx="2"
                fill={over ? 'url(#over-room)' : '#fdfdf9'}
                fillOpacity={past ? 0.38 : present ? 1 : 0.86}
                stroke={present ? '#1d2823' : over ? '#98291c' : 'none'}
                strokeWidth={present ? 1.4 : 1}
              />
              {width > 46 && height > 11 && (
                <text
                  x={x(band.from) + 5}
                  y={y + Math.min(height / 2 + 4.2, 15)}
                  fontSize="12"
                  fill="#1d2823"
                  fillOpacity={past ? 0.75 : 1}
                  stroke={over ? '#fbf1ee' : 'none'}
                  strokeWidth="4"
                  paintOrder="stroke"
                >
                  {fit(name, width - 8)}
                </text>
              )}
            </g>
          );
        }),
      )}
    </g>
  );
});

interface StemsProps {
  readonly lanes: readonly Lane[];
  readonly worked: ReadonlyMap<number, Worked>;
  readonly x: Scale;
  readonly today: number;
  readonly skip: number | null;
}

const Stems = memo(function Stems({ lanes, worked, x, skip }: StemsProps) {
  return (
    <g fill="none" stroke="#1d2823" strokeOpacity="0.28" strokeWidth="1" pointerEvents="none">
      {[...worked.values()].map(({ batch, progress }) =>
        batch.id === skip ? null : <path key={batch.id} d={stemPath(lanes, batch.id, progress.stands.length, x)} />,
      )}
    </g>
  );
});

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

function boxOf(lanes: readonly Lane[], batchId: number, index: number, x: Scale): Box | null {
  for (const lane of lanes) {
    const found = lane.byKey.get(`${batchId}/${index}`);
    if (!found) continue;
    const { band, top } = found;
    return {
      x: x(band.from),
      y: lane.top + top * lane.perSlot_px,
      width: Math.max(3, x(band.to) - x(band.from) - 1),
      height: Math.max(3, band.slots * lane.perSlot_px - 1),
    };
  }
  return null;
}

/** Hooked stems from the end of each band to the beginning of the next: the crook. */
function stemPath(lanes: readonly Lane[], batchId: number, count: number, x: Scale): string {
  let path = '';
  let before: Box | null = null;
  for (let i = 0; i < count; i++) {
    const box = boxOf(lanes, batchId, i, x);
    if (box && before && Math.abs(box.y - before.y) > 1) {
      const x0 = before.x + before.width;
      const y0 = before.y + before.height / 2;
      const x1 = box.x;
      const y1 = box.y + box.height / 2;
      const hook = 6;
      path += `M${x0} ${y0}q${hook} 0 ${hook} ${Math.sign(y1 - y0) * hook}L${x1 - 4} ${y1 - Math.sign(y1 - y0) * hook}Q${x1 - 4} ${y1} ${x1 + 1} ${y1}`;
    }
    if (box) before = box;
  }
  return path;
}

const PER_LETTER_px = 6.4;
function fit(text: string, width: number): string {
  const letters = Math.floor(width / PER_LETTER_px);
  if (text.length <= letters) return text;
  const first = text.split(' ')[0]!;
  return first.length <= letters ? first : '';
}
