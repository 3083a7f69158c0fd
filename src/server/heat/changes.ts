import { dayFromIso, isoFromDay } from '../../core/calendar/dayNumber.ts';
import { CHECK_AGAIN_days } from '../../core/heat/calibration.ts';
import { fitWords, fitZone } from '../../core/heat/fit.ts';
import type { Sample } from '../../core/heat/sample.ts';
import { coverOn } from '../../core/heat/yearHours.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type {
  AlarmRecord,
  BreakInput,
  CalibrationInput,
  FittedRecord,
  HandReadingInput,
  HeatSettings,
  OverrideInput,
  SeriesRole,
  ZoneInput,
} from '../../contracts/heat/heat.ts';
import {
  endOverrides,
  insertCalibration,
  insertOrder,
  insertOverride,
  insertZone,
  logSetPoint,
  readHeatSettings,
  readSensors,
  readZones,
  updateHeatSettings,
  updateZone,
  writeFit,
} from '../../db/heat/heat.ts';
import { tappedOrNow } from '../batch/changeBatches.ts';
import { insertHandReading } from '../../db/heat/handReadings.ts';
import { raiseTest, syncAlarms, readAlarm, takeAlarm } from '../../db/heat/alarms.ts';
import { readRaw } from '../../db/heat/readings.ts';
import { hashOf } from '../requestHash.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { readHeat } from './context.ts';
import { WORDS } from '../../words/en/heat/changes.ts';

async function zoneOr404(id: number) {
  const zone = (await readZones(database())).find((z) => z.id === id);
  if (!zone) throw new ProblemError(404, WORDS.noSuchZone, WORDS.thereIsNoHeatedZone(id));
  return zone;
}

async function clash(input: ZoneInput, id: number | null): Promise<ProblemError | null> {
  const { world } = await readSeason();
  if (!world.places.some((p) => p.id === input.placeId)) return fieldProblem('placeId', WORDS.chooseAPlaceOfThe);
  const others = (await readZones(database())).filter((z) => z.id !== id);
  if (others.some((z) => z.placeId === input.placeId)) return fieldProblem('placeId', WORDS.thatPlaceHasAZone);
  if (input.device !== null && others.some((z) => z.device === input.device))
    return fieldProblem('device', WORDS.thatControllerIsInAnother);
  return null;
}

export async function addZone(input: ZoneInput): Promise<{ id: number }> {
  const wrong = await clash(input, null);
  if (wrong) throw wrong;
  const id = await insertZone(database(), input);
  if (id === null) throw fieldProblem('placeId', WORDS.thatPlaceOrThatController);
  return { id };
}

export async function changeZone(id: number, version: number, input: ZoneInput): Promise<{ id: number }> {
  await zoneOr404(id);
  const wrong = await clash(input, id);
  if (wrong) throw wrong;
  if (!(await updateZone(database(), id, version, input))) {
    const current = await zoneOr404(id);
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedThisZoneSince, {
      current,
      yours: input,
    });
  }
  // With its controller gone nothing clears the alarms that it raised.
  if (input.device === null) await syncAlarms(database(), id, [], (await readSeason()).now.instant_ms);
  return { id };
}

/** A set-point by hand that ends by itself; again with the same key changes nothing. */
export async function overrideZone(id: number, input: OverrideInput): Promise<void> {
  const zone = await zoneOr404(id);
  if (input.set_C !== null && input.set_C > zone.spec.mostSet_C)
    throw fieldProblem('set_C', WORDS.thisZoneGoesToC(zone.spec.mostSet_C));
  const { now } = await readSeason();
  const from_ms = now.instant_ms;
  const ok = await insertOverride(
    database(),
    id,
    { set_C: input.set_C, from_ms, until_ms: from_ms + input.hours * 3_600_000, by: input.by, why: input.why },
    input.idempotencyKey,
  );
  if (!ok) throw new ProblemError(409, WORDS.usedBefore, WORDS.thisKeyWasUsedFor);
  // Written here and not when the controller is told, so that one taken back at once is in the log as well.
  await logSetPoint(database(), id, {
    at_ms: from_ms,
    set_C: input.set_C,
    from: 'override',
    by: input.by,
    why: input.why,
  });
}

/** Back to the plan. */
export async function endOverride(id: number): Promise<void> {
  await zoneOr404(id);
  await endOverrides(database(), id, (await readSeason()).now.instant_ms);
}

/** Writes temperatures of a zone read by hand, a correction or a withdrawal. The same key twice writes once. */
export async function addHandReading(
  zoneId: number,
  input: HandReadingInput,
): Promise<{ id: number; repeated: boolean }> {
  await zoneOr404(zoneId);
  const { now } = await readSeason();
  const done = await insertHandReading(database(), zoneId, input, hashOf({ zoneId, ...input }), {
    recorded_ms: now.instant_ms,
    read_ms: tappedOrNow(now.instant_ms) - input.ago_min * 60_000,
  });
  if (done === null) throw new ProblemError(409, WORDS.correctedAlready, WORDS.thatReadingIsNotThere);
  if (!done.sameRequest) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedForAnother);
  return { id: done.id, repeated: done.repeated };
}

export async function testAlarm(): Promise<void> {
  await raiseTest(database(), (await readSeason()).now.instant_ms);
}

export async function takeAlarmBy(id: number, by: string): Promise<AlarmRecord> {
  if (!(await readAlarm(database(), id)))
    throw new ProblemError(404, WORDS.noSuchAlarm, WORDS.thereIsNoAlarmNumber(id));
  return (await takeAlarm(database(), id, by, (await readSeason()).now.instant_ms))!;
}

/** Writes an offset found in ice or beside another sensor. */
export async function calibrate(sensorId: number, input: CalibrationInput): Promise<void> {
  const { now } = await readSeason();
  const on = isoFromDay(now.today);
  const due = isoFromDay(dayFromIso(on)! + CHECK_AGAIN_days);
  if (!(await insertCalibration(database(), sensorId, input, { at_ms: now.instant_ms, on, due })))
    throw new ProblemError(404, WORDS.noSuchSensor, WORDS.thereIsNoSensorNumber(sensorId));
}

/** Breaks or mends things of a simulated bench; a real house has none. */
export async function breakBench(id: number, input: BreakInput): Promise<void> {
  const zone = await zoneOr404(id);
  const { world } = await readSeason();
  if (!world.nursery.demoClock) throw new ProblemError(409, WORDS.nothingToBreak, WORDS.onlyTheSimulatedBenchesOf);
  if (zone.device === null) throw new ProblemError(409, WORDS.nothingToBreak, WORDS.thisZoneHasNoController);
  await insertOrder(database(), zone.device, input);
}

export async function heatSettings(): Promise<HeatSettings> {
  return readHeatSettings(database());
}

export async function changeHeatSettings(input: HeatSettings): Promise<HeatSettings> {
  if (!(await updateHeatSettings(database(), input)))
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedTheseSettingsSince, {
      current: await heatSettings(),
      yours: input,
    });
  return heatSettings();
}

const FIT_days = 4;
const MOST_ROWS = 120_000;

/** Readings of a zone as looks, for the fit. */
export async function samplesOf(id: number, days: number): Promise<Sample[]> {
  const db = database();
  await zoneOr404(id);
  const c = await readHeat(db);
  const z = c.zones.find((one) => one.zone.id === id)!;
  const sensors = (await readSensors(db)).filter((s) => s.zoneId === id || s.role === 'outside');
  const to = c.season.now.instant_ms;
  const raw = await readRaw(
    db,
    sensors.map((s) => s.id),
    to - days * 86_400_000,
    to + 1,
    MOST_ROWS,
  );
  const roles = new Map(sensors.map((s) => [s.id, s.role]));
  const byTime = new Map<number, Partial<Record<SeriesRole, number>>>();
  for (const r of raw) {
    const there = byTime.get(r.at_ms) ?? {};
    there[roles.get(r.sensorId)!] = r.value;
    byTime.set(r.at_ms, there);
  }
  const { timeZone } = c.season.world.nursery;
  let outside = c.usualNight_C;
  return [...byTime]
    .sort(([a], [b]) => a - b)
    .map(([at_ms, v]) => {
      outside = v.outside ?? outside;
      const night = coverOn(localTimeAt(at_ms, timeZone).minute / 60);
      const { plusDay_K, plusNight_K } = z.zone.spec.around;
      return {
        at_s: at_ms / 1000,
        medium_C: v.medium ?? null,
        bed_C: v.bed,
        air_C: v.air,
        around_C: outside + (night ? plusNight_K : plusDay_K),
        floor_C: c.floor_C,
        duty: v.heater ?? 0,
        set_C: v.set ?? null,
        mains: true,
        night,
      };
    });
}

/** Learns a zone's loss and capacity from its last nights; `keep` writes them for the watch and the answers. */
export async function learnZone(id: number, keep: boolean): Promise<FittedRecord> {
  const zone = await zoneOr404(id);
  const fit = fitZone({ ...zone.spec, fit: { loss_factor: 1, capacity_factor: 1 } }, await samplesOf(id, FIT_days));
  if (fit.kind !== 'fitted') throw new ProblemError(422, WORDS.notLearned, fit.why);
  const { loss_factor, capacity_factor, residual_K, before_K, hours } = fit;
  const record: FittedRecord = { loss_factor, capacity_factor, residual_K, before_K, hours, words: fitWords(fit) };
  const every = Math.max(1, Math.floor(fit.used.length / 240));
  const trace = fit.used
    .map((u, i) => [(u.at_s - fit.used[0]!.at_s) / 3600, u.medium_C!, fit.predicted_C[i]!] as const)
    .filter((_, i) => i % every === 0);
  if (keep) await writeFit(database(), id, record);
  return { ...record, trace };
}

export async function forgetZone(id: number): Promise<void> {
  await zoneOr404(id);
  await writeFit(database(), id, null);
}
