import { decimal } from '../../ui/numbers.ts';
import { ALARMS, type AlarmKind } from '../../core/heat/alarms.ts';
import { HARM_h } from '../../core/heat/harm.ts';
import type { Finding } from '../../core/heat/watch.ts';
import { shownDifference, shownTemperature, type TemperatureUnit } from '../../core/units/temperature.ts';
import { WORDS } from '../../words/en/heat/heatWords.ts';

/** A temperature to a tenth with its degree sign. */
export function tenth(value_C: number | null | undefined, unit: TemperatureUnit): string {
  if (value_C === null || value_C === undefined || Number.isNaN(value_C)) return '·';
  return `${decimal(shownTemperature(value_C, unit), 1)}°${unit}`;
}

/** A difference of temperatures in the nursery's scale. */
export function kelvin(delta_K: number, unit: TemperatureUnit): string {
  const shown = shownDifference(delta_K, unit);
  return `${shown > 0 ? '+' : shown < 0 ? '−' : ''}${decimal(Math.abs(shown), 2)} °${unit}`;
}

/** Hours and minutes a person can act on. */
export function hoursWords(hours: number | null): string {
  if (hours === null) return WORDS.overDays(HARM_h / 24);
  if (hours <= 0) return 'now';
  if (hours < 1) return WORDS.min(Math.max(5, Math.round((hours * 60) / 5) * 5));
  if (hours < 12) {
    const minutes = Math.floor((hours % 1) * 6) * 10;
    return minutes === 0 ? `${Math.floor(hours)} h` : `${Math.floor(hours)} h ${minutes}`;
  }
  return `${Math.floor(hours)} h`;
}

export function alarmName(kind: AlarmKind): string {
  return ALARMS[kind].name;
}

/** One figure of an alarm's evidence. */
export function evidenceWords({ name, value, unit }: Finding['evidence'][number], scale: TemperatureUnit): string {
  const figure =
    unit === 'C'
      ? tenth(value, scale)
      : unit === 'K'
        ? kelvin(value, scale)
        : unit === '%'
          ? `${Math.round(value)}%`
          : unit === 'min'
            ? WORDS.min2(Math.round(value))
            : `${Math.round(value)} W`;
  return `${name} ${figure}`;
}

/** Wall time of an instant at the nursery. */
export function clockTime(at_ms: number, timeZone: string, withDay = false): string {
  return new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    ...(withDay ? { day: 'numeric', month: 'short' } : {}),
  }).format(at_ms);
}

export function percent(frac: number): string {
  return `${Math.round(100 * frac)}%`;
}
