import ical, { ICalCalendarMethod } from 'ical-generator';
import Papa from 'papaparse';
import { isoFromDay } from '../core/calendar/dayNumber.ts';
import { EVENT_WORDS } from '../core/batch/event.ts';
import { JOB_WORDS } from '../core/round/work.ts';
import { milestoneOf } from '../core/schedule/chain.ts';
import type { Season } from './season.ts';

/** Columns of the batches file; the same file can be read in again. */
export const BATCH_COLUMNS = [
  'code', 'crop', 'variety', 'lot', 'plants', 'spare_percent', 'transplant_on', 'hardening_days',
  'germinate', 'grow', 'pot', 'harden', 'sow_tray', 'pot_container', 'note',
] as const; // prettier-ignore
const FORECAST_COLUMNS = [
  'phase',
  'sow_on',
  'half_up_on',
  'pot_on',
  'harden_on',
  'plant_on',
  'late_days',
  'left',
] as const;
const LOG_COLUMNS = [
  'line', 'batch_code', 'batch', 'day', 'what', 'count', 'place', 'cause', 'note', 'corrects_line', 'recorded_at',
] as const; // prettier-ignore

/** All work still to come as an iCalendar file of whole-day entries (RFC 5545). */
export function workCalendar(season: Season): string {
  const { world, now } = season;
  const places = new Map(world.places.map((place) => [place.id, place.name]));
  const calendar = ical({
    name: `${world.nursery.name}: work`,
    prodId: { company: 'crook', product: 'work', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const view of season.batches) {
    for (const job of view.work) {
      const day = Math.max(job.dueOn, now.today);
      const trays = `${job.trays} tray${job.trays === 1 ? '' : 's'}`;
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
  return calendar.toString();
}

/** Puts an ISO day where a reason has {day}. */
export function fillDays(text: string, day: number | null): string {
  return day === null ? text : text.replaceAll('{day}', isoFromDay(day));
}

/** Every batch with its plan and forecast, as CSV (RFC 4180, UTF-8). */
export function batchesCsv(season: Season): string {
  const { world } = season;
  const nameOf = (list: readonly { id: number; name: string }[], id: number | null) =>
    id === null ? '' : (list.find((item) => item.id === id)?.name ?? '');
  const rows = season.batches.map(({ batch, cropName, varietyName, state, progress }) => {
    const { plan } = batch;
    const chain = progress.forecast.kind === 'chain' ? progress.forecast : null;
    const on = (key: Parameters<typeof milestoneOf>[1]) => {
      const milestone = chain && milestoneOf(chain, key);
      return milestone ? isoFromDay(milestone.day) : '';
    };
    return [
      batch.code,
      cropName,
      varietyName,
      world.lots.find((lot) => lot.id === batch.lotId)?.code ?? '',
      plan.plantsWanted,
      Math.round(plan.spare_frac * 1000) / 10,
      isoFromDay(plan.transplantOn),
      plan.hardening_days,
      nameOf(world.places, plan.places.germinate),
      nameOf(world.places, plan.places.grow),
      nameOf(world.places, plan.places.pot),
      nameOf(world.places, plan.places.harden),
      nameOf(world.containers, plan.sowContainerId),
      nameOf(world.containers, plan.potContainerId),
      batch.note,
      state.phase,
      on('sow'),
      on('half-up'),
      on('pot'),
      on('harden'),
      on('plant'),
      progress.late_days ?? '',
      state.alive_count ?? '',
    ];
  });
  return csvOf([...BATCH_COLUMNS, ...FORECAST_COLUMNS], rows);
}

/** Every line of the log, corrections included, in the order written. */
export function logCsv(season: Season): string {
  const places = new Map(season.world.places.map((place) => [place.id, place.name]));
  const rows = season.batches
    .flatMap((view) => view.events.map((event) => ({ view, event })))
    .sort((a, b) => a.event.id - b.event.id)
    .map(({ view, event }) => [
      event.id,
      view.batch.code,
      view.name,
      isoFromDay(event.day),
      EVENT_WORDS[event.kind],
      event.count ?? '',
      event.placeId === null ? '' : (places.get(event.placeId) ?? ''),
      event.cause,
      event.note,
      event.correctsId ?? '',
      new Date(event.recordedAt_ms).toISOString(),
    ]);
  return csvOf(LOG_COLUMNS, rows);
}

/** escapeFormulae: a cell that begins like a formula is quoted with ', so that a spreadsheet does not run it. */
function csvOf(fields: readonly string[], data: unknown[][]): string {
  return Papa.unparse({ fields: [...fields], data }, { newline: '\r\n', escapeFormulae: true });
}
