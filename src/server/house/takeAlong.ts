import { houseJobsBetween } from '../../core/house/houseJobsDue.ts';
import { jobTitle, roundLogOf } from './roundJobs.ts';
import { EVERY_LINE, readLedger } from '../../db/batch/ledger.ts';
import { database } from '../database.ts';
import { batchName } from '../../core/plan/season.ts';
import ical, { ICalCalendarMethod } from 'ical-generator';
import Papa from 'papaparse';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { EVENT_WORDS } from '../../core/batch/event.ts';
import { JOB_WORDS } from '../../core/batch/work.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import { PLAN_COLUMNS, planCells } from '../../formats/batchColumns.ts';
import { toCell } from '../../formats/csvText.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/house/takeAlong.ts';

/** Columns of the batches file that follow from the log and the forecast; they are not read in again. */
export const FORECAST_COLUMNS = [
  'phase',
  'sow_on',
  'half_up_on',
  'pot_on',
  'harden_on',
  'plant_on',
  'late_days',
  'in_hand',
  'expected',
  'came_up',
  'lost',
  'left_over',
  'out',
] as const;
const LOG_COLUMNS = [
  'line',
  'batch_code',
  'batch',
  'day',
  'what',
  'count',
  'place',
  'cause',
  'note',
  'corrects_line',
  'recorded_at',
  'season',
  'author',
  'batch_voided',
] as const;

/** Jobs of the house come again and again: the calendar has those of so many days. */
const OWN_AHEAD_days = 60;

/** All work still to come as an iCalendar file of whole-day entries (RFC 5545). */
export function workCalendar(season: Season): string {
  const { world, now } = season;
  const places = new Map(world.places.map((place) => [place.id, place.name]));
  const calendar = ical({
    name: WORDS.work(world.nursery.name),
    prodId: { company: 'crook', product: 'work', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const view of season.batches) {
    for (const job of view.work) {
      const day = Math.max(job.dueOn, now.today);
      const trays = WORDS.tray(job.trays, job.trays === 1 ? '' : 's');
      const rung = job.kind === 'rung' ? ` ${job.count}` : '';
      calendar.createEvent({
        id: `${view.batch.code}-${job.kind}${rung.trim()}@crook`,
        start: isoFromDay(day),
        end: isoFromDay(day + 1),
        allDay: true,
        stamp: new Date(now.instant_ms),
        summary: `${JOB_WORDS[job.kind]}${rung}: ${view.name} (${view.batch.code}), ${trays}`,
        description: fillDays(job.why, job.whyDay),
        location: job.placeId === null ? null : (places.get(job.placeId) ?? null),
      });
    }
  }
  for (const due of houseJobsBetween(season, roundLogOf(season), now.today, now.today + OWN_AHEAD_days)) {
    calendar.createEvent({
      id: `${due.key.replaceAll('/', '-')}@crook`,
      start: isoFromDay(due.time.on),
      end: isoFromDay(due.time.on + 1),
      allDay: true,
      stamp: new Date(now.instant_ms),
      summary: jobTitle(due),
      description: WORDS.minutes(due.job.minutes),
      location: due.placeId === null ? null : (places.get(due.placeId) ?? null),
    });
  }
  return calendar.toString();
}

/** Puts an ISO day where a reason has {day}. */
export function fillDays(text: string, day: number | null): string {
  return day === null ? text : text.replaceAll('{day}', isoFromDay(day));
}

/** Every batch with its plan and forecast, as CSV (RFC 4180, UTF-8). */
export function batchesCsv(season: Season): string {
  const { world } = season;
  const rows = season.batches.map(({ batch, state, progress, plants }) => {
    const cells = planCells(batch, world);
    const chain = progress.forecast.kind === 'chain' ? progress.forecast : null;
    const on = (key: Parameters<typeof milestoneOf>[1]) => {
      const milestone = chain && milestoneOf(chain, key);
      return milestone ? isoFromDay(milestone.day) : '';
    };
    const out = progress.out?.on ?? null;
    return [
      ...PLAN_COLUMNS.map((column) => cells[column]),
      state.phase,
      on('sow'),
      on('half-up'),
      on('pot'),
      on('harden'),
      out === null ? '' : isoFromDay(out),
      progress.late_days ?? '',
      plants.inHand_count,
      plants.expected_count,
      plants.cameUp_count,
      plants.lost_count,
      plants.left_count,
      plants.out_count,
    ];
  });
  return csvOf([...PLAN_COLUMNS, ...FORECAST_COLUMNS], rows);
}

/** Every line of the log of all seasons (null) or of one, corrections included, in the order written. */
export async function logCsv({ world }: Season, seasonId: number | null): Promise<string> {
  const places = new Map(world.places.map((place) => [place.id, place.name]));
  const people = new Map(world.people.map((person) => [person.id, person.name]));
  const seasons = new Map(world.seasons.map((one) => [one.id, one.name]));
  const lines = await readLedger(
    database(),
    { ...EVERY_LINE, seasonId },
    { order: 'oldest', limit: 1_000_000, offset: 0 },
  );
  const rows = lines.map(({ event, code, cropName, varietyName, letter, seasonId: of, voided }) => [
    event.id,
    code,
    batchName(cropName, varietyName, letter),
    isoFromDay(event.day),
    EVENT_WORDS[event.kind],
    event.count ?? '',
    event.placeId === null ? '' : (places.get(event.placeId) ?? ''),
    event.cause,
    event.note,
    event.correctsId ?? '',
    new Date(event.recordedAt_ms).toISOString(),
    seasons.get(of) ?? '',
    event.authorId === null ? '' : (people.get(event.authorId) ?? ''),
    voided ? 'voided' : '',
  ]);
  return csvOf(LOG_COLUMNS, rows);
}

function csvOf(fields: readonly string[], data: (string | number)[][]): string {
  const rows = data.map((row) => row.map((cell) => (typeof cell === 'string' ? toCell(cell) : cell)));
  return Papa.unparse({ fields: [...fields], data: rows }, { newline: '\r\n' });
}
