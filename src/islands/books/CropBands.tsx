import { TemperatureTicks } from './TemperatureTicks.tsx';
import type { Crop } from '../../core/books/crop.ts';
import { shownTemperature, type TemperatureUnit } from '../../core/units/temperature.ts';
import { WORDS } from '../../words/en/books/cropBands.ts';

const FROM_C = -10;
const TO_C = 45;
const W = 640;
const x = (t: number) => (W * (Math.min(TO_C, Math.max(FROM_C, t)) - FROM_C)) / (TO_C - FROM_C);

interface Band {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly best?: number;
}

/** What a crop bears, where it is comfortable and where it grows, one scale for all three. */
export function CropBands({ crop, unit }: { readonly crop: Crop; readonly unit: TemperatureUnit }) {
  const bands: Band[] = [
    { name: WORDS.sown, from: crop.germMin_C, to: crop.germMax_C, best: crop.germBest_C },
    { name: WORDS.grows, from: crop.base_C, to: crop.growCeiling_C, best: crop.growOptimum_C },
    { name: WORDS.comfortable, from: crop.comfortNight_C, to: crop.comfortDay_C },
    { name: WORDS.hardenedBears, from: crop.hardyTo_C, to: TO_C },
  ];
  if (bands.some((b) => !Number.isFinite(b.from) || !Number.isFinite(b.to) || b.from >= b.to)) return null;
  const t = (value: number) => Math.round(shownTemperature(value, unit));
  const told = bands
    .map((b) => `${b.name} ${t(b.from)}${b.to >= TO_C ? WORDS.andAbove : WORDS.to(t(b.to))}°${unit}`)
    .join('; ');
  return (
    <figure className="mt-3 max-w-[780px]">
      <svg viewBox={`-110 0 ${W + 130} ${bands.length * 26 + 26}`} role="img" aria-label={told} className="w-full">
        <TemperatureTicks at_C={[-10, 0, 10, 20, 30, 40]} x={x} height={bands.length * 26} unit={unit} />
        {bands.map((b, i) => (
          <g key={b.name}>
            <text x={-8} y={i * 26 + 18} fontSize="14" textAnchor="end" fill="var(--color-ink)">
              {b.name}
            </text>
            <rect
              x={x(b.from)}
              y={i * 26 + 6}
              width={x(b.to) - x(b.from)}
              height={15}
              fill="var(--color-plum)"
              opacity={0.35}
            />
            {b.best !== undefined && (
              <rect x={x(b.best) - 2} y={i * 26 + 2} width={4} height={23} fill="var(--color-plum)" />
            )}
          </g>
        ))}
        {crop.checkNight_C !== null && crop.checkNight_C !== undefined && (
          <g>
            <line
              x1={x(crop.checkNight_C)}
              x2={x(crop.checkNight_C)}
              y1={28}
              y2={78}
              stroke="var(--color-brick)"
              strokeWidth={2}
              strokeDasharray="4 3"
            />
            <title>{WORDS.aNightUnderChecksIt(t(crop.checkNight_C), unit)}</title>
          </g>
        )}
      </svg>
      <figcaption className="text-[0.9rem] text-ink2">
        {WORDS.uprightBarsBestToSow(
          crop.checkNight_C !== null &&
            crop.checkNight_C !== undefined &&
            WORDS.dashesANightUnderChecks(t(crop.checkNight_C), unit),
          crop.dliLeast,
          crop.dliGood,
        )}
      </figcaption>
    </figure>
  );
}
