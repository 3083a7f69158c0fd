import { MATERIALS } from '../../core/heat/materials.ts';
import { area_m2 } from '../../core/heat/zone.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';
import type { ZoneView } from '../../contracts/heat/heat.ts';
import { length } from '../../ui/house.ts';
import { temperatureColour } from '../../ui/ramp.ts';
import { tenth } from './words.ts';
import { WORDS } from '../../words/en/heat/section.ts';

const W = 640;
const LEFT = 20;
const WIDE = 400;
const COVER_WORDS = { none: 'no cover', fleece: 'fleece', single: 'single film', double: 'double film' } as const;

/** The bench in section: cover, air, medium, bed, what lies under it; the temperature in each and the watts up and down. */
export function Section({ view, unit }: { readonly view: ZoneView; readonly unit: TemperatureUnit }) {
  const { spec } = view.zone;
  const status = view.card.status;
  const cover = status && !status.night ? spec.cover.day : spec.cover.night;
  // By hand only what was read is known; with a controller the model has all three.
  const { read } = status ?? {};
  const [bed, medium, air] =
    status && read ? (view.card.byHand ? [read.bed, read.medium, read.air] : status.x) : [null, null, null];
  const rows = [
    {
      key: 'air',
      words: cover === 'none' ? WORDS.airOverTheTraysNo : WORDS.airUnder(COVER_WORDS[cover]),
      high: 34,
      value: air,
    },
    { key: 'medium', words: WORDS.medium(length(1000 * spec.medium_m)), high: 32, value: medium },
    {
      key: 'bed',
      words: WORDS.with(
        MATERIALS[spec.bed.material].name,
        spec.heater.kind === 'cable' ? WORDS.itsCable : spec.heater.kind,
      ),
      high: 32,
      value: bed,
    },
    ...spec.below.map((l, i) => ({
      key: `below ${i}`,
      words: `${MATERIALS[l.material].name} ${length(1000 * l.thickness_m)}`,
      high: 24,
      value: undefined,
    })),
    { key: 'floor', words: WORDS.floor, high: 20, value: status?.floor_C ?? null },
  ];
  let y = 16;
  const placed = rows.map((row) => {
    const at = y;
    y += row.high;
    return { ...row, at };
  });
  const heated = placed.find((r) => r.key === 'bed')!;
  /** Words on a ground coloured by its temperature. */
  const inkOn = (value: number | null | undefined) =>
    value == null ? 'var(--color-ink)' : value > 33 || value < 2 ? '#fff' : '#1d2823';
  const flows = view.flows;
  const line = cover === 'none' ? 'none' : cover === 'double' ? '0' : '5 4';
  return (
    <svg
      viewBox={`0 0 ${W} ${y + 6}`}
      className="w-full max-w-[760px]"
      role="img"
      aria-label={WORDS.inSection(
        view.card.name,
        placed
          .filter((r) => r.value != null)
          .map((r) => `${r.words} ${tenth(r.value, unit)}`)
          .join(', '),
      )}
    >
      {line !== 'none' && (
        <path
          d={`M${LEFT} 16 Q${LEFT + WIDE / 2} -4 ${LEFT + WIDE} 16`}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth={cover === 'double' ? 3 : 1.6}
          strokeDasharray={line}
        />
      )}
      {placed.map((row) => (
        <g key={row.key}>
          <rect
            x={LEFT}
            y={row.at}
            width={WIDE}
            height={row.high}
            fill={row.value != null ? temperatureColour(row.value) : 'var(--color-line)'}
            stroke="var(--color-ink3)"
            strokeWidth="1"
          />
          <text x={LEFT + 10} y={row.at + row.high / 2 + 4.5} fontSize="13" fill={inkOn(row.value)}>
            {row.words}
          </text>
          {row.value !== undefined && (
            <text
              x={LEFT + WIDE - 10}
              y={row.at + row.high / 2 + 5}
              fontSize="14"
              textAnchor="end"
              className="num"
              fill={inkOn(row.value)}
            >
              {tenth(row.value, unit)}
            </text>
          )}
        </g>
      ))}
      {Array.from({ length: 13 }, (_, i) => (
        <circle
          key={i}
          cx={LEFT + 195 + i * 11}
          cy={heated.at + heated.high / 2}
          r="3"
          fill={status && status.duty > 0 && status.mains !== false ? 'var(--color-brick)' : 'none'}
          stroke="var(--color-brick)"
        />
      ))}
      {flows && (
        <g fontSize="14">
          <path
            d={`M${LEFT + WIDE + 26} ${heated.at} V28`}
            stroke="var(--color-brick)"
            strokeWidth={Math.max(1.5, Math.min(10, Math.abs(flows.up_W) / (8 * area_m2(spec))))}
            markerEnd="url(#tip)"
          />
          <text x={LEFT + WIDE + 46} y="50" className="num">
            {Math.round(flows.up_W)} W {flows.up_W >= 0 ? WORDS.up : WORDS.inFromTheAir}
          </text>
          <text x={LEFT + WIDE + 46} y="67" fontSize="12.5" fill="var(--color-ink2)">
            {WORDS.throughTheTrays}
          </text>
          <path
            d={`M${LEFT + WIDE + 26} ${heated.at + heated.high} V${y - 8}`}
            stroke="var(--color-ink2)"
            strokeWidth={Math.max(1.5, Math.min(10, Math.abs(flows.down_W) / (8 * area_m2(spec))))}
            markerEnd="url(#tip2)"
          />
          <text x={LEFT + WIDE + 46} y={heated.at + heated.high + 22} className="num">
            {WORDS.wDown(Math.round(flows.down_W))}
          </text>
        </g>
      )}
      <defs>
        <marker id="tip" viewBox="0 0 8 8" refX="4" refY="4" markerWidth="3" markerHeight="3" orient="auto">
          <path d="M0 0 8 4 0 8Z" fill="var(--color-brick)" />
        </marker>
        <marker id="tip2" viewBox="0 0 8 8" refX="4" refY="4" markerWidth="3" markerHeight="3" orient="auto">
          <path d="M0 0 8 4 0 8Z" fill="var(--color-ink2)" />
        </marker>
      </defs>
    </svg>
  );
}
