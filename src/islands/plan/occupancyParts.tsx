import { memo, type PointerEvent } from 'react';
import { civilFromDay, dayFromCivil, weekdayOf } from '../../core/calendar/dayNumber.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { degrees, monthName, shortDay, spokenDay } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { bandNames } from './bandNames.ts';
import type { Lane } from './lanes.ts';
import type { Band, Worked } from './useSeason.ts';
import { WORDS } from '../../words/en/plan/occupancyParts.ts';

export type Scale = (day: number) => number;

/** Days wide enough to be named one by one, and weeks wide enough for the date of their first day, px. */
const NAMED_DAY_px = 30;
const NAMED_WEEK_px = 30;

interface CalendarProps {
  readonly from: number;
  readonly to: number;
  readonly x: Scale;
  readonly height: number;
  readonly firstWeekday: number;
  readonly today: number;
}

/** Half the width of the sign of today, and the room a month's name takes, px. */
const TODAY_px = 30;
const MONTH_px = 76;

/** Months, and under them the days or the first days of weeks, as there is room. */
export function Calendar({ from, to, x, height, firstWeekday, today }: CalendarProps) {
  const marks: React.ReactNode[] = [];
  const perDay_px = x(from + 1) - x(from);
  for (let day = from; day < to; day++) {
    const begins = weekdayOf(day) === firstWeekday;
    if (perDay_px < NAMED_DAY_px && (!begins || 7 * perDay_px < NAMED_WEEK_px)) continue;
    marks.push(
      <g key={`day${day}`}>
        <line
          x1={x(day)}
          x2={x(day)}
          y1={begins ? 28 : 34}
          y2={height}
          stroke="var(--color-line)"
          strokeWidth="1"
          strokeOpacity={begins ? 0.8 : 0.4}
        />
        <text x={x(day) + 3} y="39" fontSize="12" fill="var(--color-ink2)">
          {perDay_px < NAMED_DAY_px
            ? civilFromDay(day).day
            : perDay_px < 2 * NAMED_DAY_px
              ? spokenDay(day, day - 30).split(' ')[1]
              : spokenDay(day, day - 30)
                  .split(' ')
                  .slice(0, 2)
                  .join(' ')}
        </text>
      </g>,
    );
  }
  const first = civilFromDay(from);
  for (let i = 0; ; i++) {
    const month = ((first.month - 1 + i) % 12) + 1;
    const start = dayFromCivil(first.year + Math.floor((first.month - 1 + i) / 12), month, 1);
    if (start > to) break;
    const left = x(Math.max(start, from));
    // A month's name stands beside the sign of today, never under it.
    const sign = x(today + 0.5);
    const isUnder = left + MONTH_px > sign - TODAY_px && left < sign + TODAY_px;
    marks.push(
      <g key={start}>
        <line x1={x(start)} x2={x(start)} y1="8" y2={height} stroke="var(--color-line)" strokeWidth="1" />
        <text
          x={isUnder ? sign + TODAY_px + 3 : left + 5}
          y="19"
          fontSize="13.5"
          fontWeight="600"
          fill="var(--color-ink2)"
        >
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
export const LaneGrounds = memo(function LaneGrounds({ lanes, from, to, x }: GroundProps) {
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
              stroke="var(--color-brick)"
              strokeWidth="1.5"
            />
          )}
        </g>
      ))}
    </g>
  );
});

/** The set-point of each run of weeks on its lane, with a dotted line where it changes. */
export const SetPoints = memo(function SetPoints({ lanes, house, from, to, x }: GroundProps) {
  const { today } = house;
  return (
    <g pointerEvents="none">
      {lanes.map((lane) => (
        <g key={lane.place.id}>
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
                    stroke="var(--color-ink)"
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
function SetPointLabel({
  x,
  lane,
  setPoint_C,
  house,
}: {
  x: number;
  lane: Lane;
  setPoint_C: number | null;
  house: HouseData;
}) {
  return (
    <text
      x={x}
      y={lane.top + lane.roomHeight_px - 3}
      fontSize="11.5"
      fontWeight="650"
      fill="var(--color-ink)"
      stroke="var(--color-paper)"
      strokeWidth="3"
      paintOrder="stroke"
    >
      {setPoint_C === null ? WORDS.off : degrees(setPoint_C, house.unit)}
    </text>
  );
}

/** What is over room, hanging out of its lane day by day. */
export const Overflow = memo(function Overflow({ lanes, x }: { readonly lanes: readonly Lane[]; readonly x: Scale }) {
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
              stroke="var(--color-brick)"
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
  readonly house: HouseData;
  readonly skip: number | null;
  readonly faint: ReadonlySet<number> | null;
  readonly onHold: (e: PointerEvent, band: Band) => void;
  /** The batch the pointer is over. */
  readonly onOver: (batchId: number | null) => void;
}

export const Bands = memo(function Bands({ lanes, worked, x, house, skip, faint, onHold, onOver }: BandsProps) {
  const { today } = house;
  const named = bandNames(lanes, worked, x, house);
  return (
    <g onPointerLeave={() => onOver(null)}>
      {lanes.flatMap((lane) =>
        lane.laid.map(({ band, top }) => {
          const one = worked.get(band.batchId);
          if (band.batchId === skip || !one) return null;
          const { batch } = one;
          const { name, pinned } = batch;
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
              onPointerEnter={() => onOver(band.batchId)}
              className="cursor-pointer"
              opacity={faint?.has(band.batchId) ? 0.14 : 1}
            >
              <title>
                {WORDS.toTraySpaces(
                  name,
                  lane.place.name,
                  shortDay(band.from),
                  shortDay(band.to),
                  band.slots,
                  pinned ? ', pinned' : '',
                )}
              </title>
              <rect
                x={left}
                y={y}
                width={width}
                height={height}
                rx="2"
                fill="var(--color-paper)"
                fillOpacity={past ? 0.38 : present ? 1 : 0.86}
                stroke={present ? 'var(--color-ink)' : 'none'}
                strokeWidth={present ? 1.4 : 1}
              />
              {pinned && <circle cx={left + 4} cy={y + 4} r="2.6" fill="var(--color-ink)" />}
              {named.get(band.batchId)?.index === band.index && (
                <text
                  x={named.get(band.batchId)!.x + (pinned ? 5 : 0)}
                  y={y + Math.min(height / 2 + 4.2, 15)}
                  fontSize="12"
                  fill="var(--color-ink)"
                >
                  {named.get(band.batchId)!.words}
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
  readonly overId: number | null;
}

/** Stems of the batches filtered for and of the one under the pointer, as one path; of all they would be a thicket. */
export const Stems = memo(function Stems({ lanes, worked, x, skip, faint, overId }: StemsProps) {
  const drawn = [...worked.values()].filter(
    ({ batch }) => batch.id !== skip && (batch.id === overId || (faint !== null && !faint.has(batch.id))),
  );
  const path = drawn.map(({ batch, progress }) => stemPath(lanes, batch.id, progress.stands.length, x)).join('');
  return (
    <path d={path} fill="none" stroke="var(--color-ink)" strokeOpacity="0.6" strokeWidth="1.2" pointerEvents="none" />
  );
});

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function boxOf(lanes: readonly Lane[], batchId: number, index: number, x: Scale): Box | null {
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
export function stemPath(lanes: readonly Lane[], batchId: number, count: number, x: Scale): string {
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
export function fit(text: string, width: number): string {
  const letters = Math.floor(width / PER_LETTER_px);
  if (text.length <= letters) return text;
  const first = text.split(' ')[0]!;
  return first.length <= letters ? first : '';
}
