import Papa from 'papaparse';
import { unbelievable } from '../../core/heat/sample.ts';
import { temperatureFromShown } from '../../core/units/temperature.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { ReadingsImport, ReadingsReport } from '../../contracts/heat/heat.ts';
import { readSensors, readZones } from '../../db/heat/heat.ts';
import { downSample, insertReadings, readRaw, type ReadingRow } from '../../db/heat/readings.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { WORDS } from '../../words/en/heat/exchange.ts';

const MOST_LINES = 60_000;
const MOST_OUT = 500_000;
const HAS_ZONE = /(Z|[+-]\d\d:?\d\d)$/;

/** An instant written with its own zone, or as wall time of a named zone. NaN when it is no time. */
export function instantOf(text: string, timeZone: string): number {
  const t = text.trim().replace(' ', 'T');
  const parts = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(?::(\d\d)(?:\.\d+)?)?/.exec(t);
  if (!parts) return NaN;
  if (HAS_ZONE.test(t)) return Date.parse(t);
  const [y, mo, d, h, mi, s] = parts.slice(1).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const wall = Date.UTC(y, mo - 1, d, h, mi);
  if (new Date(wall).getUTCDate() !== d || h > 23 || mi > 59 || s > 59) return NaN;
  let guess = wall;
  // Twice, because the offset at the first guess may be that of the other side of a clock change.
  for (let i = 0; i < 2; i++) {
    const local = localTimeAt(guess, timeZone);
    guess += wall - (local.day * 86_400_000 + local.minute * 60_000);
  }
  return guess + s * 1000;
}

/** Takes a logger's file. `try` only says what would come of it. The same file twice writes nothing twice. */
export async function importReadings(input: ReadingsImport): Promise<ReadingsReport> {
  const db = database();
  const zone = (await readZones(db)).find((z) => z.id === input.zoneId);
  if (!zone) throw fieldProblem('zoneId', WORDS.chooseTheZoneTheReadings);
  try {
    new Intl.DateTimeFormat('en', { timeZone: input.timeZone });
  } catch {
    throw fieldProblem('timeZone', WORDS.timeZoneANameSuch);
  }
  const parsed = Papa.parse<Record<string, string>>(input.csv, { header: true, skipEmptyLines: true });
  const fields = parsed.meta.fields ?? [];
  if (!fields.includes(input.timeColumn))
    throw fieldProblem('timeColumn', WORDS.thereIsNoColumnThe(input.timeColumn, fields.slice(0, 8).join(', ')));
  for (const [i, c] of input.columns.entries())
    if (!fields.includes(c.column)) throw fieldProblem(`columns.${i}.column`, WORDS.thereIsNoColumnIn(c.column));
  if (parsed.data.length > MOST_LINES)
    throw new ProblemError(413, WORDS.tooManyLines, WORDS.atMostLinesAtOnce(MOST_LINES));
  const sensors = await readSensors(db);
  const { now } = await readSeason();
  const rows: ReadingRow[] = [];
  const left: { line: number; why: string }[] = [];
  for (const [i, line] of parsed.data.entries()) {
    const out = (why: string) => left.push({ line: i + 2, why });
    const at_ms = instantOf(line[input.timeColumn] ?? '', input.timeZone);
    if (Number.isNaN(at_ms)) {
      out(WORDS.isNotATimeSuch((line[input.timeColumn] ?? '').slice(0, 30)));
      continue;
    }
    if (at_ms > now.instant_ms + 600_000) {
      out(WORDS.itLiesInTheFuture);
      continue;
    }
    for (const { column, role, unit } of input.columns) {
      const text = (line[column] ?? '').trim().replace(',', '.');
      if (text === '') continue;
      const raw = Number(text);
      const value = unit === 'F' ? temperatureFromShown(raw, 'F') : unit === 'percent' ? raw / 100 : raw;
      const why =
        unbelievable(raw) ??
        unbelievable(value) ??
        (role === 'heater' && !(value >= 0 && value <= 1) ? WORDS.notAShareFromTo : null);
      if (why !== null) {
        out(`${column} "${text.slice(0, 20)}": ${why}`);
        continue;
      }
      const sensor = sensors.find((s) => s.role === role && s.zoneId === (role === 'outside' ? null : zone.id))!;
      rows.push({ sensorId: sensor.id, at_ms, value: value - sensor.offset_K });
    }
  }
  let written = 0;
  if (!input.try) {
    for (let i = 0; i < rows.length; i += 5_000) written += await insertReadings(db, rows.slice(i, i + 5_000));
    while ((await downSample(db)) > 0);
  }
  const times = rows.map((r) => r.at_ms);
  return {
    lines: parsed.data.length,
    readings: rows.length,
    written,
    already: input.try ? 0 : rows.length - written,
    from_ms: times.reduce<number | null>((a, b) => (a === null ? b : Math.min(a, b)), null),
    to_ms: times.reduce<number | null>((a, b) => (a === null ? b : Math.max(a, b)), null),
    left: left.slice(0, 20),
    leftCount: left.length,
  };
}

export interface ExportLine {
  readonly zone: string;
  readonly role: string;
  readonly at: string;
  readonly value: number;
}

/** Readings of a zone over a span, as lines. */
export async function exportReadings(zoneId: number, from_ms: number, to_ms: number): Promise<ExportLine[]> {
  const db = database();
  const zone = (await readZones(db)).find((z) => z.id === zoneId);
  if (!zone) throw new ProblemError(404, WORDS.noSuchZone, WORDS.thereIsNoHeatedZone(zoneId));
  const sensors = (await readSensors(db)).filter((s) => s.zoneId === zoneId || s.role === 'outside');
  const raw = await readRaw(
    db,
    sensors.map((s) => s.id),
    from_ms,
    to_ms,
    MOST_OUT,
  );
  const roles = new Map(sensors.map((s) => [s.id, s.role]));
  return raw.map((r) => ({
    zone: zone.device ?? `zone-${zone.id}`,
    role: roles.get(r.sensorId)!,
    at: new Date(r.at_ms).toISOString(),
    value: Math.round(r.value * 1000) / 1000,
  }));
}

export function asCsv(lines: readonly ExportLine[]): string {
  return Papa.unparse([...lines], { columns: ['zone', 'role', 'at', 'value'], newline: '\n' }) + '\n';
}
