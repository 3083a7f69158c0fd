import { inUse } from '../../core/books/inUse.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { OWN_NIGHTS } from '../../core/weather/coverWorth.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { ReadingsShown, SiteReadingInput, WorthView } from '../../contracts/weather/siteReadings.ts';
import { insertReading } from '../../db/weather/site.ts';
import { hashOf } from '../requestHash.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { soilOn } from '../../core/weather/site.ts';
import { WORDS } from '../../words/en/weather/siteReadings.ts';

/** A reading this far from what the season is usually like is asked about once. */
const UNLIKE_K = 22;

/** Writes a reading, a correction or a withdrawal. The same key twice writes once. */
export async function logReading(input: SiteReadingInput): Promise<{ id: number; repeated: boolean }> {
  const { now, world, site } = await readSeason();
  const day = requireDay(input.day);
  if (day > now.today) throw fieldProblem('day', WORDS.readingsAreOfWhatWas(input.day));
  if (day < now.today - 3660) throw fieldProblem('day', WORDS.moreThanTenYearsAgo);
  if (input.coverId !== null && !world.covers.some((c) => c.id === input.coverId))
    throw fieldProblem('coverId', WORDS.thereIsNoSuchCover);
  const usual = site?.usual && day >= site.usual.from ? site.usual.night_C[day - site.usual.from] : undefined;
  if (usual !== undefined && input.least_C !== null && Math.abs(input.least_C - usual) > UNLIKE_K)
    throw fieldProblem('least_C', `lowest: ${WORDS.degreesCWhereAboutIs(input.least_C, usual.toFixed(0))}`);
  if (input.correctsId !== null && !site?.readings.some((r) => r.id === input.correctsId))
    throw new ProblemError(409, WORDS.correctedAlready, WORDS.thatReadingIsNotThere);
  const requestHash = hashOf(input);
  return inTransaction(database(), async (transaction) => {
    const done = await insertReading(database(), input, requestHash, now.instant_ms, transaction);
    if (!done.sameRequest) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
    return { id: done.id, repeated: done.repeated };
  });
}

/** Readings of the last weeks and what they teach. */
export function readingsView({ site, world, now }: Season): ReadingsShown {
  const readings = site?.readings ?? [];
  const from = now.today - 28;
  return {
    today: now.today,
    unit: world.nursery.temperatureUnit,
    readings: readings.filter((r) => r.day >= from).sort((a, b) => b.day - a.day || b.id - a.id),
    covers: inUse(world.covers).map(({ id, name }) => ({ id, name })),
    worths: world.covers.flatMap((c): WorthView[] => {
      const w = site?.worths.get(c.id);
      if (!w) return [];
      const pairs = [...(site?.pairedNights.get(c.id) ?? [])].sort((a, b) => b.day - a.day);
      return [{ coverId: c.id, name: c.name, layers: c.layers, written_K: c.worth_K, ...w, wants: OWN_NIGHTS, pairs }];
    }),
    soil: site?.soil
      ? Array.from({ length: 39 }, (_, i) => {
          const day = from + i;
          const read = readings.filter((r) => r.kind === 'soil' && r.day === day).at(-1);
          return { day, value_C: soilOn(site, day)!, read_C: read?.soil_C ?? null };
        })
      : [],
  };
}
