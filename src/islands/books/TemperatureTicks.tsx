import { shownTemperature, type TemperatureUnit } from '../../core/units/temperature.ts';

interface Props {
  readonly at_C: readonly number[];
  readonly x: (temperature_C: number) => number;
  readonly height: number;
  readonly unit: TemperatureUnit;
}

/** The scale of temperature behind a drawing of bands. */
export function TemperatureTicks({ at_C, x, height, unit }: Props) {
  return at_C.map((tick) => (
    <g key={tick}>
      <line x1={x(tick)} x2={x(tick)} y1={0} y2={height} stroke="var(--color-line)" />
      <text x={x(tick)} y={height + 17} fontSize="13" textAnchor="middle" fill="var(--color-ink2)">
        {Math.round(shownTemperature(tick, unit))}°{unit}
      </text>
    </g>
  ));
}
