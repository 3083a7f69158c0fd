import { STARTING_HOUSES, type StartingHouseKey } from '../../core/house/startingHouses.ts';
import { temperatureColour } from '../../ui/ramp.ts';

const WIDE_px = 260;
const HIGH_px = 96;

/** A house to begin with, drawn to scale from above; colours are its usual temperatures. */
export function StartingHouse({ house }: { readonly house: StartingHouseKey }) {
  const places = STARTING_HOUSES[house];
  if (places.length === 0)
    return (
      <svg viewBox={`0 0 ${WIDE_px} ${HIGH_px}`} className="h-24 w-full" aria-hidden="true">
        <rect x="10" y="10" width="240" height="76" fill="none" stroke="#8a948c" strokeDasharray="5 5" />
      </svg>
    );
  const wide_m = Math.max(...places.map(({ size }) => size.x_m + size.width_m));
  const deep_m = Math.max(...places.map(({ size }) => size.y_m + size.depth_m));
  const scale = Math.min(WIDE_px / wide_m, HIGH_px / deep_m);
  return (
    <svg
      viewBox={`0 0 ${wide_m * scale} ${deep_m * scale}`}
      className="h-24 max-w-full self-start"
      preserveAspectRatio="xMinYMid meet"
      aria-hidden="true"
    >
      {places.map(({ key, size, periods }) => {
        const { day_C, night_C } = periods[0]!;
        return (
          <rect
            key={key}
            x={size.x_m * scale + 0.75}
            y={size.y_m * scale + 0.75}
            width={Math.max(3, size.width_m * scale - 1.5)}
            height={Math.max(3, size.depth_m * scale - 1.5)}
            rx="1.5"
            fill={temperatureColour((day_C + night_C) / 2)}
            stroke="var(--color-ink)"
          />
        );
      })}
    </svg>
  );
}
