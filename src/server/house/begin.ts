import type { BeginInput } from '../../contracts/house/begin.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { isInUse } from '../../core/books/inUse.ts';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { STARTING_HOUSES } from '../../core/house/startingHouses.ts';
import { outByNormals } from '../../core/planting/outByNormals.ts';
import { nightsKnown } from '../../core/weather/nightsKnown.ts';
import { frostsByNormals, roughNormals } from '../../core/weather/roughClimate.ts';
import { writeBegun } from '../../db/house/begin.ts';
import { nowAt } from '../clock.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { WORDS } from '../../words/en/house/beginServer.ts';

/**
 * Begins a nursery from five answers: its settings, usual temperatures by a rough guess, its places and the trays it uses.
 * @throws ProblemError 409 when it is begun already, 422 when a place or tray is not one of those offered
 */
export async function beginNursery(input: BeginInput): Promise<void> {
  const { house, places, containerIds, risk_frac, ...settings } = input;
  const { world } = await readSeason();
  const offered = STARTING_HOUSES[house];
  const made = places.map(({ key, room_trays }, i) => {
    const place = offered.find((one) => one.key === key);
    if (!place) throw fieldProblem(`places.${i}.key`, WORDS.placeIsNotOneOf(key));
    if (places.findIndex((one) => one.key === key) < i) throw fieldProblem(`places.${i}.key`, WORDS.placeTwice(key));
    return { ...place, room_trays };
  });
  containerIds.forEach((id, i) => {
    if (!world.containers.some((one) => one.id === id && isInUse(one)))
      throw fieldProblem(`containerIds.${i}`, WORDS.traysThereIsNoTray(id));
  });
  const south = input.latitude_deg < 0;
  const outside = roughNormals(input);
  const known = nightsKnown({ coldest_C: null, outsideBy: 'guess' });
  const { lastFrost, firstFrost } = frostsByNormals(outside, south, known);
  const outFrom = outByNormals(outside, south, risk_frac, known);
  const today = nowAt({ ...world.nursery, timeZone: input.timeZone }).today;
  const done = await writeBegun(database(), {
    settings: {
      ...settings,
      outside,
      lastFrost,
      firstFrost,
      frost: { threshold_C: 0, risk_frac, outFrom, by: 'guess' },
    },
    places: made,
    containerIds,
    today: isoFromDay(today),
  });
  if (!done) throw new ProblemError(409, WORDS.begunAlready, WORDS.thisNurseryHasItsPlaces);
}
