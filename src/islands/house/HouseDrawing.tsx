import { useDrag } from '@use-gesture/react';
import { BY_POINTER } from '../../ui/kit/byPointer.ts';
import { useRef, useState, type PointerEvent } from 'react';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import { counted, dayNight, degrees } from '../../ui/format.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { NAME_px, tilesIn, type DrawnPlace, type Standing, type Tiles } from './layout.ts';
import { WORDS } from '../../words/en/house/houseDrawing.ts';

/** A heated place as its sensor has it. */
export interface Measured {
  readonly medium_C: number;
  readonly set_C: number | null;
  readonly alarm: string | null;
}

interface Props {
  readonly drawn: readonly DrawnPlace[];
  readonly width: number;
  readonly height: number;
  readonly standing: ReadonlyMap<number, readonly Standing[]>;
  readonly selectedId: number | null;
  readonly temperatureOf: (placeId: number) => { day_C: number; night_C: number };
  /** What is measured there now, with its set-point; null where nothing is. */
  readonly measuredOf: (placeId: number) => Measured | null;
  readonly unit: TemperatureUnit;
  readonly onSelect: (batchId: number) => void;
  readonly onMove: (batchId: number, placeId: number) => void;
}

/** Places to scale with their trays as tiles; a batch's tiles are one group, to be pressed or dragged. */
export function HouseDrawing(props: Props) {
  const { drawn, width, height, standing, selectedId, temperatureOf, measuredOf, unit, onSelect, onMove } = props;
  const svg = useRef<SVGSVGElement>(null);
  const held = useRef<number | null>(null);
  const [ghost, setGhost] = useState<{ x: number; y: number; overId: number | null } | null>(null);

  function placeAt(clientX: number, clientY: number): { x: number; y: number; overId: number | null } {
    const box = svg.current!.getBoundingClientRect();
    const x = clientX - box.left;
    const y = clientY - box.top;
    const over = drawn.find(
      ({ rect }) => x >= rect.x && x <= rect.x + rect.width && y >= rect.y - NAME_px && y <= rect.y + rect.height,
    );
    return { x, y, overId: over?.place.id ?? null };
  }
  const carry = useDrag(({ xy: [clientX, clientY], last, canceled, cancel }) => {
    const batchId = held.current;
    if (batchId === null) return cancel();
    const at = placeAt(clientX, clientY);
    setGhost(last ? null : at);
    if (!last) return;
    held.current = null;
    if (!canceled && at.overId !== null) onMove(batchId, at.overId);
  }, BY_POINTER);

  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      role="group"
      aria-label={WORDS.planOfTheHousePlaces}
      className="sheet block select-none"
      {...carry()}
    >
      <defs>
        <pattern id="over-room" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--color-brick-soft)" />
          <rect width="2" height="6" fill="var(--color-brick)" />
        </pattern>
      </defs>
      {drawn.map((one) => {
        const { place, rect } = one;
        const { day_C, night_C } = temperatureOf(place.id);
        const measured = measuredOf(place.id);
        const here = standing.get(place.id) ?? [];
        const tiles = tilesIn(one, here);
        const used = here.reduce((sum, s) => sum + s.slots, 0);
        const over = Math.max(0, used - place.room_trays);
        return (
          <g key={place.id}>
            <text x={rect.x} y={rect.y - 18} fontSize="13" fontWeight="650" fill="var(--color-ink)">
              {place.name}
              {measured?.alarm && <tspan fill="var(--color-brick)">{`: ${measured.alarm}`}</tspan>}
            </text>
            <text x={rect.x} y={rect.y - 4} fontSize="12" fill="var(--color-ink2)">
              {measured
                ? WORDS.now(
                    degrees(measured.medium_C, unit),
                    rect.width < 180
                      ? ''
                      : measured.set_C === null
                        ? ', off'
                        : WORDS.set(degrees(measured.set_C, unit)),
                  )
                : dayNight(day_C, night_C, unit)}
              {WORDS.of(Math.round(used), place.room_trays)}
              {over > 0 && (
                <tspan fontWeight="700" fill="var(--color-brick)">
                  {WORDS.overBy(Math.round(over))}
                </tspan>
              )}
            </text>
            <rect
              x={rect.x}
              y={rect.y}
              width={rect.width}
              height={rect.height}
              rx="2"
              fill={temperatureColour(measured ? measured.medium_C : (day_C + night_C) / 2)}
              stroke={
                over > 0 ? 'var(--color-brick)' : ghost?.overId === place.id ? 'var(--color-plum)' : 'var(--color-ink)'
              }
              strokeWidth={over > 0 || ghost?.overId === place.id ? 3 : 1}
            />
            {over > 0 && (
              <rect
                x={rect.x}
                y={rect.y + rect.height + 3}
                width={Math.min(rect.width, Math.max(16, (over / Math.max(1, place.room_trays)) * rect.width))}
                height="9"
                fill="url(#over-room)"
                stroke="var(--color-brick)"
              />
            )}
            {tiles.map((group) => (
              <TileGroup
                key={group.standing.worked.batch.id}
                group={group}
                drawn={one}
                chosen={group.standing.worked.batch.id === selectedId}
                onSelect={onSelect}
                onHold={(e, batchId) => {
                  onSelect(batchId);
                  held.current = e.button === 0 ? batchId : null;
                }}
              />
            ))}
          </g>
        );
      })}
      {ghost && (
        <rect
          x={ghost.x - 16}
          y={ghost.y - 11}
          width="32"
          height="22"
          rx="2"
          fill="var(--color-plum)"
          fillOpacity="0.75"
          pointerEvents="none"
        />
      )}
    </svg>
  );
}

interface GroupProps {
  readonly group: Tiles;
  readonly drawn: DrawnPlace;
  readonly chosen: boolean;
  readonly onSelect: (batchId: number) => void;
  readonly onHold: (e: PointerEvent, batchId: number) => void;
}

function TileGroup({ group, drawn, chosen, onSelect, onHold }: GroupProps) {
  const { rect, columns, rows, place } = drawn;
  const { batch } = group.standing.worked;
  const w = rect.width / columns;
  const h = rect.height / rows;
  const first = group.cells[0];
  const inRow = first ? group.cells.filter((cell) => cell.row === first.row).length : 0;
  const label = WORDS.in(
    batch.name,
    counted(group.standing.trays, WORDS.tray),
    place.name,
    group.over > 0 ? WORDS.traySpacesOver(group.over) : '',
  );
  const letters = Math.floor((inRow * w - 6) / 6.2);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={chosen}
      className="cursor-grab"
      style={{ touchAction: 'none' }}
      onPointerDown={(e) => onHold(e, batch.id)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        onSelect(batch.id);
        e.preventDefault();
      }}
    >
      <title>{label}</title>
      {group.cells.map(({ column, row }) => (
        <rect
          key={`${column}/${row}`}
          x={rect.x + column * w + 1}
          y={rect.y + row * h + 1}
          width={Math.max(2, w - 2)}
          height={Math.max(2, h - 2)}
          rx="1.5"
          fill={chosen ? 'var(--color-plum)' : 'var(--color-paper)'}
          fillOpacity={chosen || group.standing.real ? 1 : 0.72}
          stroke={group.standing.real && !chosen ? 'var(--color-ink)' : 'none'}
          strokeOpacity="0.45"
          strokeWidth="0.8"
        />
      ))}
      {first && letters >= 3 && h >= 11 && (
        <text
          x={rect.x + first.column * w + 4}
          y={rect.y + first.row * h + Math.min(h / 2 + 4, 14)}
          fontSize="11"
          fill={chosen ? 'var(--color-on-plum)' : 'var(--color-ink)'}
          stroke={chosen ? 'var(--color-plum)' : 'var(--color-paper)'}
          strokeWidth="3.5"
          paintOrder="stroke"
          pointerEvents="none"
        >
          {batch.name.length <= letters ? batch.name : batch.code}
        </text>
      )}
    </g>
  );
}
