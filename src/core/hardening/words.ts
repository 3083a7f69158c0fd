import { shownTemperature, type TemperatureUnit } from '../units/temperature.ts';
import { windWords } from '../units/words.ts';
import type { Decision, Limit } from './ladder.ts';
import { STRESS_WORDS, type Rung, type RungCover } from './programme.ts';
import { WORDS } from '../../words/en/hardening/hardeningWords.ts';

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

export const COVER_WORDS: Readonly<Record<RungCover, string>> = {
  none: WORDS.noCover,
  fleece: 'fleece',
  film: WORDS.film,
};

/** What decided, in words. */
export function limitWords(limit: Limit, rungs: readonly Rung[], unit: TemperatureUnit): string {
  const { stress, figure, limit: bears } = limit;
  const rung = WORDS.step(limit.rung);
  switch (stress) {
    case 'cold': {
      const [is, wants] = heldAgainst(figure!, bears!, unit);
      return WORDS.whereWantsOrMore(is, rung, wants);
    }
    case 'wind':
      return WORDS.gustsOfBears(windWords(figure!, unit), rung, windWords(bears!, unit));
    case 'heat':
      return WORDS.byDayBearsKeepThem(degreesWords(figure!, unit), rung, degreesWords(bears!, unit));
    case 'calm?':
      return WORDS.noGustsToldBearsLook(rung, windWords(bears!, unit));
    case 'rest':
      return WORDS.restingAfterPotting;
    case 'hand':
      return WORDS.heldByHand;
    case 'two': {
      const other = limit.raises === 'wind' || (figure !== null && bears === rungs[limit.rung - 1]?.floor_C);
      const near = other
        ? WORDS.nearItsLowest(degreesWords(figure!, unit))
        : WORDS.gustsOfNearItsMost(windWords(figure!, unit));
      return WORDS.isNewAndTheDay(rung, STRESS_WORDS[limit.raises!], near);
    }
    default:
      return WORDS.noForecastForIt;
  }
}

/** A day's decision in a line. */
export function decisionWords(decision: Decision, rungs: readonly Rung[], unit: TemperatureUnit): string {
  const { say, rung, limit, climbs, served, of } = decision;
  const what = rung === 0 ? WORDS.inShelter : rungs[rung - 1]!.words;
  const why = limit ? limitWords(limit, rungs, unit) : '';
  if (say === 'back') return `${rung === 0 ? WORDS.keepThemIn : WORDS.onlyStep(rung, what)}: ${why}`;
  if (say === 'hold') return WORDS.hold(rung > 0 ? WORDS.onStep(rung, what) : '', why);
  if (decision.done) return WORDS.theLastStepIsDone;
  return WORDS.stepOf(rung, rungs.length, what, !climbs && of > 1 ? WORDS.dayOf(served, of) : '');
}
