import type { DayNumber } from '../calendar/dayNumber.ts';
import type { Place } from '../books/place.ts';
import { placeClimate, temperatureOn } from '../plan/schedule/placeClimate.ts';
import { mondayOf } from '../calendar/week.ts';
import { WORDS } from '../../words/en/heat/setPoint.ts';

/** A person's set-point that ends by itself. Instants in epoch ms. */
export interface Override {
  /** null = off. */
  readonly set_C: number | null;
  readonly from_ms: number;
  readonly until_ms: number;
  readonly by: string;
  readonly why: string;
}

export interface SetPoint {
  /** null = off. */
  readonly set_C: number | null;
  readonly from: 'override' | 'plan' | 'off';
  readonly why: string;
}

/**
 * The set-point of a heated place now: a person's override while it lasts, else the plan's week with its night drop, never
 * above what the zone allows.
 */
export function setPointNow(at: {
  readonly place: Place;
  readonly today: DayNumber;
  readonly night: boolean;
  readonly now_ms: number;
  readonly overrides: readonly Override[];
  readonly most_C: number;
  /** Trays that stand there, for the words. */
  readonly batches: readonly string[];
}): SetPoint {
  const cap = (set_C: number | null) => (set_C === null ? null : Math.min(set_C, at.most_C));
  const override = at.overrides
    .filter((o) => o.from_ms <= at.now_ms && at.now_ms < o.until_ms)
    .reduce<Override | null>((last, o) => (last === null || o.from_ms >= last.from_ms ? o : last), null);
  if (override) return { set_C: cap(override.set_C), from: 'override', why: override.why || WORDS.setByHand };
  const { place } = at;
  const standing =
    at.batches.length === 0
      ? WORDS.nothingThatStandsThere
      : at.batches.slice(0, 3).join(', ') + (at.batches.length > 3 ? WORDS.andMore(at.batches.length - 3) : '');
  if (place.temperature?.kind === 'set-point') {
    const week = mondayOf(at.today);
    const chosen = place.setPoints?.find((w) => w.week === week);
    const day_C = chosen ? chosen.setPoint_C : place.temperature.usual_C;
    if (day_C === null) return { set_C: null, from: 'off', why: WORDS.offThisWeekInThe };
    const set_C = at.night ? day_C - place.temperature.nightDrop_K : day_C;
    return {
      set_C: cap(set_C),
      from: 'plan',
      why: WORDS.for(chosen ? WORDS.thisWeeksPlan : WORDS.usualSetPoint, at.night ? WORDS.byNight : '', standing),
    };
  }
  if (place.temperature?.kind === 'mat') return { set_C: null, from: 'off', why: WORDS.aMatWithoutAThermostat };
  if (place.temperature?.kind === 'hot-bed') return { set_C: null, from: 'off', why: WORDS.aHotBedHeatsBy };
  if (place.temperature && place.temperature.kind !== 'written')
    return { set_C: null, from: 'off', why: WORDS.thisPlaceOnlyFollowsOutside };
  if (place.periods.length === 0) return { set_C: null, from: 'off', why: WORDS.noTemperatureIsWrittenFor };
  const { day_C, night_C } = temperatureOn(placeClimate(place, at.today, 1), at.today);
  return {
    set_C: cap(at.night ? night_C : day_C),
    from: 'plan',
    why: WORDS.asWrittenForThePlace(at.night ? WORDS.byNight : '', standing),
  };
}
