import { ProblemError } from '../../contracts/problem.ts';
import type { SensorRecord } from '../../contracts/heat/heat.ts';
import { readCalibrations, readSensors, type CalibrationLine } from '../../db/heat/heat.ts';
import { readRaw } from '../../db/heat/readings.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { WORDS } from '../../words/en/heat/sensors.ts';

export interface SensorLatest {
  readonly sensor: SensorRecord;
  /** Uncorrected. */
  readonly readings: readonly { readonly at_s: number; readonly value_C: number }[];
  readonly beside: readonly { readonly role: string; readonly value_C: number }[];
  readonly history: readonly CalibrationLine[];
}

/** What a sensor and those beside it sent in the last quarter of an hour. */
export async function latestOf(id: number): Promise<SensorLatest> {
  const db = database();
  const sensors = await readSensors(db);
  const sensor = sensors.find((s) => s.id === id);
  if (!sensor || sensor.role === 'heater' || sensor.role === 'set')
    throw new ProblemError(404, WORDS.noSuchSensor, WORDS.thereIsNoThermometerNumber(id));
  const { now } = await readSeason();
  const others = sensors.filter(
    (s) => s.zoneId === sensor.zoneId && s.id !== id && ['medium', 'bed', 'air'].includes(s.role),
  );
  const raw = await readRaw(
    db,
    [id, ...others.map((s) => s.id)],
    now.instant_ms - 15 * 60_000,
    now.instant_ms + 60_000,
    5_000,
  );
  return {
    sensor,
    readings: raw
      .filter((r) => r.sensorId === id)
      .map((r) => ({ at_s: r.at_ms / 1000, value_C: r.value + sensor.offset_K })),
    beside: others.flatMap((s) => {
      const last = raw.filter((r) => r.sensorId === s.id).at(-1);
      return last ? [{ role: s.role, value_C: last.value }] : [];
    }),
    history: await readCalibrations(db, id),
  };
}
