import { scaleLinear } from 'd3-scale';
import { memo, useCallback, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { civilFromDay, dayFromCivil } from '../../core/calendar/dayNumber.ts';
import type { HouseData } from '../../contracts/seasonData.ts';
import { degrees, monthName, shortDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { LANE_GAP, type Lane } from './lanes.ts';
import { bandsOf, type Band, type Worked } from './useSeason.ts';

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
  readonly from: number;
  readonly to: number;
  readonly perDay_px: number;
  readonly selectedId: number | null;
  /** Batches the filter leaves out are drawn faintly; null = none. */
  readonly faint: ReadonlySet<number> | null;
  /** Whether bands may be dragged: not while a proposal is looked at. */
  readonly fixed: boolean;
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

export const HEAD_px = 30;
/** A band moves only when it is dragged farther than this, so that a press selects. */
const DEAD_px = 5;

interface Grip {
  readonly startX: number;
  readonly startY: number;
  /** The band held, or null for the end of the chain. */
  readonly band: { readonly batchId: number; readonly index: number; readonly placeId: number } | null;
  moved: boolean;
}

/** The descent: places from warmest to coldest, batches as bands by day, their moves as hooked stems. */
export function Descent(props: Props) {
  const { house, lanes, height, worked, from, to, perDay_px, selectedId, faint, fixed, trial, onSelect } = props;
  const x = useMemo(
    () =>
      scaleLinear()
        .domain([from, to])
        .range([0, (to - from) * perDay_px]),
    [from, to, perDay_px],
  );
  const grip = useRef<Grip | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const width = x(to);
  const selected = selectedId === null ? null : (worked.get(selectedId) ?? null);

  function drag(e: PointerEvent): void {
    const held = grip.current;
    if (!held) return;
    const dx = e.clientX - held.startX;
    if (!held.moved && Math.hypot(dx, e.clientY - held.startY) < DEAD_px) return;
    held.moved = true;
    const days = Math.round(dx / perDay_px);
    if (!held.band) return props.onDrag(days);
    const y = e.clientY - svg.current!.getBoundingClientRect().top - HEAD_px;
    const over = lanes.find((lane) => y >= lane.top - LANE_GAP / 2 && y < lane.top + lane.height + LANE_GAP / 2);
    props.onBand({
      batchId: held.band.batchId,
      index: held.band.index,
      days,
      placeId: over?.place.id ?? held.band.placeId,
    });
  }

  const hold = useCallback(
    (e: PointerEvent, band: Band): void => {
      onSelect(band.batchId);
      if (fixed || e.button !== 0 || e.pointerType === 'touch') return;
      const { batchId, index, placeId } = band;
      grip.current = { startX: e.clientX, startY: e.clientY, band: { batchId, index, placeId }, moved: false };
      svg.current?.setPointerCapture(e.pointerId);
    },
    [onSelect, fixed],
  );

  return (
    <svg
      ref={svg}
      width={width}
      height={height + HEAD_px}
      role="group"
      aria-label="Season drawing: places from warmest to coldest, batches as bands by day. The table says the same."
      className="block touch-pan-x touch-pan-y select-none"
      onPointerMove={drag}
      onPointerUp={() => {
        if (grip.current?.moved) props.onDrop();
        grip.current = null;
      }}
      onPointerCancel={() => (grip.current = null)}
    >
      <defs>
        <pattern id="over-room" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="#fbf1ee" />
          <rect width="2" height="6" fill="#98291c" />
        </pattern>
      </defs>
      <Calendar from={from} to={to} x={x} height={height + HEAD_px} />
      <g transform={`translate(0 ${HEAD_px})`}>
        <LaneGrounds lanes={lanes} house={house} from={from} to={to} x={x} />
        <Stems lanes={lanes} worked={worked} x={x} skip={selectedId} faint={faint} />
        <Bands lanes={lanes} worked={worked} x={x} today={house.today} skip={selectedId} faint={faint} onHold={hold} />
        <Overflow lanes={lanes} x={x} />
        {selected && (
          <SelectedBands
            {...props}
            selected={selected}
            x={x}
            onHold={hold}
            onGripEnd={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              grip.current = { startX: e.clientX, startY: e.clientY, band: null, moved: false };
            }}
          />
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
                  fill="#6a2560"
                  fillOpacity="0.16"
                  stroke="#1d2823"
                  strokeWidth="2"
                  strokeDasharray="5 3"
                />
              );
            })}
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

interface SelectedProps extends Props {
  readonly selected: Worked;
  readonly x: Scale;
  readonly onHold: (e: PointerEvent, band: Band) => void;
  readonly onGripEnd: (e: PointerEvent<SVGGElement>) => void;
}

/** The chosen batch in plum through the whole house; each band to be taken hold of, and the end of the chain. */
function SelectedBands(props: SelectedProps) {
  const { lanes, selected, x, house, trial, fixed, onKey, onBandKey, onHold, onGripEnd } = props;
  const { batch, progress } = selected;
  const bands = bandsOf(selected);
  const open = batch.state.phase !== 'planted' && batch.state.phase !== 'ended' && !fixed;
  const endBox = boxOf(lanes, batch.id, bands.length - 1, x);
  return (
    <g>
      <path d={stemPath(lanes, batch.id, bands.length, x)} fill="none" stroke="#6a2560" strokeWidth="2.6" />
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
                  'aria-label': `${STAGE_WORDS[band.stage]} in ${place} from ${shortDay(band.from)} to ${shortDay(band.to)}: left and right arrows move it a day, up and down to a warmer or cooler place, Enter keeps, Escape drops`,
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
              fill="#6a2560"
              className="settle"
            />
            {box.width > 60 && box.height > 13 && (
              <text x={box.x + 5} y={box.y + Math.min(box.height - 3, 13)} fontSize="12" fontWeight="650" fill="#fff">
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
          aria-label={`Transplant date of ${batch.name}: arrow keys move it a day, Page Up and Down a week, Enter keeps, Escape drops`}
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
    </g>
  );
}

const STAGE_WORDS: Readonly<Record<Band['stage'], string>> = {
  germinate: 'Germinates',
  grow: 'Grows on',
  pot: 'In the pot',
  space: 'Spaced out',
  harden: 'Hardens',
};

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
const LaneGrounds = memo(function LaneGrounds({ lanes, house, from, to, x }: GroundProps) {
  const { today } = house;
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
          {lane.over.length > 0 && (
            <line
              x1={0}
              x2={x(to)}
              y1={lane.top + lane.roomHeight_px}
              y2={lane.top + lane.roomHeight_px}
              stroke="#98291c"
              strokeWidth="1.5"
            />
          )}
          {lane.setPoints
            .filter((run) => run.to > from && run.from < to)
            .map((run) => (
              <g key={run.from}>
                {run.from > from && (
                  <line
                    x1={x(run.from)}
                    x2={x(run.from)}
                    y1={lane.top}
                    y2={lane.top + lane.roomHeight_px}
                    stroke="#1d2823"
                    strokeOpacity="0.35"
                    strokeDasharray="1 3"
                  />
                )}
                {run.from < today && run.to > today && (
                  <SetPointLabel x={x(today) + 4} lane={lane} setPoint_C={run.setPoint_C} house={house} />
                )}
                {run.from > today && x(run.to) - x(run.from) > 26 && (
                  <SetPointLabel x={x(run.from) + 3} lane={lane} setPoint_C={run.setPoint_C} house={house} />
                )}
              </g>
            ))}
        </g>
      ))}
    </g>
  );
});

/** The week's set-point, at the floor of its lane. */
function SetPointLabel({ x, lane, setPoint_C, house }: { x: number; lane: Lane; setPoint_C: number | null; house: HouseData }) {
  return (
    <text
      x={x}
      y={lane.top + lane.roomHeight_px - 3}
      fontSize="11.5"
      fontWeight="650"
      fill="#1d2823"
      stroke="#fdfdf9"
      strokeWidth="3"
      paintOrder="stroke"
    >
      {setPoint_C === null ? 'off' : degrees(setPoint_C, house.unit)}
    </text>
  );
}

/** What is over room, hanging out of its lane day by day. */
const Overflow = memo(function Overflow({ lanes, x }: { readonly lanes: readonly Lane[]; readonly x: Scale }) {
  return (
    <g pointerEvents="none">
      {lanes.flatMap((lane) =>
        lane.over.map((run) => (
          <g key={`${lane.place.id}/${run.from}`}>
            <rect
              x={x(run.from)}
              y={lane.top + lane.roomHeight_px}
              width={Math.max(2, x(run.to) - x(run.from))}
              height={Math.max(4, run.slots * lane.overSlot_px)}
              fill="url(#over-room)"
              stroke="#98291c"
              strokeWidth="0.8"
            />
          </g>
        )),
      )}
    </g>
  );
});

interface BandsProps {
  readonly lanes: readonly Lane[];
  readonly worked: ReadonlyMap<number, Worked>;
  readonly x: Scale;
  readonly today: number;
  readonly skip: number | null;
  readonly faint: ReadonlySet<number> | null;
  readonly onHold: (e: PointerEvent, band: Band) => void;
}

const Bands = memo(function Bands({ lanes, worked, x, today, skip, faint, onHold }: BandsProps) {
  return (
    <g>
      {lanes.flatMap((lane) =>
        lane.laid.map(({ band, top }) => {
          const one = worked.get(band.batchId);
          if (band.batchId === skip || !one) return null;
          const { name, pinned } = one.batch;
          const past = band.to <= today;
          const present = band.from <= today && band.to > today;
          const y = lane.top + top * lane.perSlot_px;
          const height = Math.max(2.5, band.slots * lane.perSlot_px - 1);
          const left = x(band.from);
          const width = Math.max(3, x(band.to) - left - 1);
          return (
            <g
              key={`${band.batchId}/${band.index}`}
              onPointerDown={(e) => onHold(e, band)}
              className="cursor-pointer"
              opacity={faint?.has(band.batchId) ? 0.14 : 1}
            >
              <title>{`${name}: ${lane.place.name}, ${shortDay(band.from)} to ${shortDay(band.to)}, ${band.slots} slots${pinned ? ', pinned' : ''}`}</title>
              <rect
                x={left}
                y={y}
                width={width}
                height={height}
                rx="2"
                fill="#fdfdf9"
                fillOpacity={past ? 0.38 : present ? 1 : 0.86}
                stroke={present ? '#1d2823' : 'none'}
                strokeWidth={present ? 1.4 : 1}
              />
              {pinned && <circle cx={left + 4} cy={y + 4} r="2.6" fill="#1d2823" />}
              {width > 46 && height > 11 && (
                <text
                  x={left + (pinned ? 10 : 5)}
                  y={y + Math.min(height / 2 + 4.2, 15)}
                  fontSize="12"
                  fill="#1d2823"
                  fillOpacity={past ? 0.75 : 1}
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
  readonly skip: number | null;
  readonly faint: ReadonlySet<number> | null;
}

/** All stems as one path: hundreds of them are too many to be elements of their own. */
const Stems = memo(function Stems({ lanes, worked, x, skip, faint }: StemsProps) {
  const drawn = [...worked.values()].filter(({ batch }) => batch.id !== skip && !faint?.has(batch.id));
  const path = drawn.map(({ batch, progress }) => stemPath(lanes, batch.id, progress.stands.length, x)).join('');
  return <path d={path} fill="none" stroke="#1d2823" strokeOpacity="0.28" strokeWidth="1" pointerEvents="none" />;
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
