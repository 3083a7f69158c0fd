import { shownTemperature, type TemperatureUnit } from '../units/temperature.ts';
import { windWords } from '../units/words.ts';
import type { Decision, Limit } from './ladder.ts';
import { STRESS_WORDS, type Rung, type RungCover } from './programme.ts';

/** A temperature in the house's scale, to the half degree at the most. */
export function degreesWords(value_C: number, unit: TemperatureUnit): string {
  const shown = shownTemperature(value_C, unit);
  const rounded = Math.round(2 * shown) / 2;
  return `${Object.is(rounded, -0) ? 0 : rounded}°${unit}`.replace('-', '−');
}

/** Two temperatures that are held against each other: to the tenth where halves would make them look the same. */
function heldAgainst(a_C: number, b_C: number, unit: TemperatureUnit): readonly [string, string] {
  const [a, b] = [degreesWords(a_C, unit), degreesWords(b_C, unit)];
  if (a !== b) return [a, b];
  const tenth = (t: number) => `${shownTemperature(t, unit).toFixed(1)}°${unit}`.replace('-', '−');
  return [tenth(a_C), tenth(b_C)];
}

export const COVER_WORDS: Readonly<Record<RungCover, string>> = { none: 'no cover', fleece: 'fleece', film: 'film' };

/** What decided, in words. */
export function limitWords(limit: Limit, rungs: readonly Rung[], unit: TemperatureUnit): string {
  const { stress, figure, limit: bears } = limit;
  const rung = `step ${limit.rung}`;
  switch (stress) {
    case 'cold': {
      const [is, wants] = heldAgainst(figure!, bears!, unit);
      return `${is} where ${rung} wants ${wants} or more`;
    }
    case 'wind':
      return `gusts of ${windWords(figure!, unit)}, ${rung} bears ${windWords(bears!, unit)}`;
    case 'heat':
      return `${degreesWords(figure!, unit)} by day, ${rung} bears ${degreesWords(bears!, unit)}: keep them in shade over midday`;
    case 'calm?':
      return `no gusts told, ${rung} bears ${windWords(bears!, unit)}: look at the wind yourself`;
    case 'rest':
      return 'resting after potting';
    case 'hand':
      return 'held by hand';
    case 'two': {
      const other = limit.raises === 'wind' || (figure !== null && bears === rungs[limit.rung - 1]?.floor_C);
      const near = other
        ? `${degreesWords(figure!, unit)}, near its lowest`
        : `gusts of ${windWords(figure!, unit)}, near its most`;
      return `${rung} is new ${STRESS_WORDS[limit.raises!]} and the day brings ${near}: one new stress at a time`;
    }
    default:
      return 'no forecast for it';
  }
}

/** A day's decision in a line. */
export function decisionWords(decision: Decision, rungs: readonly Rung[], unit: TemperatureUnit): string {
  const { say, rung, limit, climbs, served, of } = decision;
  const what = rung === 0 ? 'in shelter' : rungs[rung - 1]!.words;
  const why = limit ? limitWords(limit, rungs, unit) : '';
  if (say === 'back') return `${rung === 0 ? 'keep them in' : `only step ${rung}, ${what}`}: ${why}`;
  if (say === 'hold') return `hold${rung > 0 ? ` on step ${rung}, ${what}` : ''}: ${why}`;
  if (decision.done) return 'the last step is done: hardened';
  return `step ${rung} of ${rungs.length}: ${what}${!climbs && of > 1 ? `, day ${served} of ${of}` : ''}`;
}
