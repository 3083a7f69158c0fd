import { requireDay } from '../../core/calendar/dayNumber.ts';
import { shortDay } from '../../core/calendar/shortDay.ts';
import { degreesWords } from '../../core/hardening/words.ts';
import {
  hotBedAdvice,
  hotBedDays,
  peakAfter_days,
  SINKS_frac,
  underLid_C,
  type HotBedAdvice,
  type HotBedDays,
  type HotBedLine,
} from '../../core/heat/hotBed.ts';
import type { Place } from '../../core/books/place.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import { withinDays } from '../../core/plan/schedule/placeClimate.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { HotBedView } from '../../contracts/heat/heatViews.ts';
import type { HotBedLineInput } from '../../contracts/heat/warmth.ts';
import { insertHotBedLine } from '../../db/heat/hotBeds.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { database } from '../database.ts';
import { hashOf } from '../requestHash.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/heat/hotBedServer.ts';

/** Writes a line of a hot bed's log; again with the same key changes nothing. */
export async function addHotBedLine(placeId: number, line: HotBedLineInput): Promise<{ id: number }> {
  const { world, now } = await readSeason();
  const place = world.places.find((p) => p.id === placeId);
  if (!place) throw new ProblemError(404, WORDS.noSuchPlace, WORDS.thereIsNoPlaceNumber(placeId));
  if (place.temperature?.kind !== 'hot-bed')
    throw new ProblemError(409, WORDS.notAHotBed, WORDS.isNoHotBedSay(place.name));
  if (requireDay(line.on) > now.today) throw fieldProblem('on', WORDS.thatDayHasNotCome);
  const done = await insertHotBedLine(database(), placeId, line, hashOf({ placeId, ...line }), now.instant_ms);
  if (done === null) throw new ProblemError(409, WORDS.withdrawnAlready, WORDS.thatLineIsNotThere);
  if (!done.sameRequest) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
  return { id: done.id };
}

/** A hot bed through the season and what it wants; null where the place is none, or outside is not known. */
export function hotBedView(season: Season, place: Place): HotBedView | null {
  const { tables, now } = season;
  if (place.temperature?.kind !== 'hot-bed' || !tables.outside) return null;
  const { bed: spec } = place.temperature;
  const { from } = tables;
  const bed = hotBedDays(spec, place.bedLog ?? [], from, withinDays(tables.outside, from, tables.days));
  const wanted = wantedThere(season, place.id);
  const advice = hotBedAdvice(spec, bed, from, { today: now.today, ...wanted });
  const i = now.today - from;
  const until = Math.min(bed.day_C.length, i + AHEAD_days);
  return {
    placeId: place.id,
    built: bed.built[i]! <= now.today ? bed.built[i]! : null,
    buildOn: nextBuild(bed, i),
    peakOn: bed.built[i]! + Math.round(peakAfter_days(spec.made)),
    factor: bed.factor,
    readings: bed.readings,
    sunk_m: spec.height_m * (1 - SINKS_frac),
    least_C: wanted.least_C,
    underLid_C: underLid_C(spec, tables.outside.night_C[i]!, bed.rise_K[i]!),
    days: Array.from({ length: until - i }, (_, d) => ({
      day: now.today + d,
      day_C: bed.day_C[i + d]!,
      night_C: bed.night_C[i + d]!,
    })),
    orders: ordersOf(season, place.bedLog ?? [], bed, advice, wanted, i),
  };
}

const AHEAD_days = 70;

function nextBuild(bed: HotBedDays, i: number): number | null {
  const today = bed.built[i]!;
  for (let d = i; d < bed.built.length; d++) if (bed.built[d] !== today) return bed.built[d]!;
  return null;
}

/** What is sown or stands on a bed: the least its seed may have, and from when to when. */
function wantedThere(season: Season, placeId: number) {
  let least_C: number | null = null;
  let first: number | null = null;
  let last: number | null = null;
  for (const view of season.batches) {
    const { forecast } = view.progress;
    if (view.batch.plan.places.germinate !== placeId || forecast.kind !== 'chain') continue;
    const sow = milestoneOf(forecast, 'sow')?.day;
    const off = milestoneOf(forecast, 'off-heat')?.day;
    if (sow === undefined || off === undefined || off < season.now.today) continue;
    least_C = Math.max(least_C ?? -Infinity, cropOf(season, view.batch).germMin_C);
    first = Math.min(first ?? Infinity, sow);
    last = Math.max(last ?? -Infinity, off);
  }
  return { least_C, first, last };
}

/** Days ahead a job of the bed is told. */
const TELL_days = 7;
/** Days after which a stick thermometer is wanted again. Common practice, no source. */
const READ_EVERY_days = 4;

/** Today's orders of a bed in plain words. */
function ordersOf(
  season: Season,
  log: readonly HotBedLine[],
  bed: HotBedDays,
  advice: HotBedAdvice,
  wanted: ReturnType<typeof wantedThere>,
  i: number,
): string[] {
  const { today } = season.now;
  const unit = season.world.nursery.temperatureUnit;
  const orders: string[] = [];
  const stands = bed.built[i]! <= today && bed.rise_K[i]! > 0.5;
  if (!stands) {
    const { buildBy } = advice;
    if (buildBy !== null && buildBy - today <= TELL_days)
      orders.push(
        WORDS.itIsWantedAndTakes(
          buildBy < today ? WORDS.buildTheHotBedNow : WORDS.buildTheHotBedBy(shortDay(buildBy)),
          shortDay(wanted.first!),
        ),
      );
    return orders;
  }
  if (advice.turnBy !== null && advice.turnBy - today <= TELL_days)
    orders.push(WORDS.turnTheBedAndAdd(shortDay(advice.turnBy), degreesWords(wanted.least_C!, unit)));
  if (advice.spot_C !== null) orders.push(WORDS.hotSpotsAboutPutA(degreesWords(advice.spot_C, unit)));
  if (advice.propLid) orders.push(WORDS.blocksUnderTheLidOn);
  const lastRead = Math.max(
    -Infinity,
    ...log.filter((l) => l.kind === 'read' && l.on >= bed.built[i]!).map((l) => l.on),
  );
  if (wanted.first !== null && today - lastRead >= READ_EVERY_days) orders.push(WORDS.readTheStickThermometerIn);
  return orders;
}
