import type { AlarmKind } from '../../core/heat/alarms.ts';
import { modeAt } from '../../core/heat/simulate.ts';
import { steadyNeed_W } from '../../core/heat/sizing.ts';
import { unbelievable, type Sample } from '../../core/heat/sample.ts';
import { believed, watch, watchStart, type WatchState } from '../../core/heat/watch.ts';
import {
  readingsMessage,
  stateMessage,
  type DeviceConfig,
  type ReadingsMessage,
  type SeriesRole,
  type ZoneStatus,
} from '../../contracts/heat/heat.ts';
import { logSetPoint, readStatus, takeOrders, writeStatus } from '../../db/heat/heat.ts';
import { syncAlarms } from '../../db/heat/alarms.ts';
import { readRaw, type ReadingRow } from '../../db/heat/readings.ts';
import { askForJob, type JobName } from '../../db/house/jobs.ts';
import type { Db } from '../../db/sql.ts';
import { demoInstant_ms } from '../../core/house/demoClock.ts';
import { isInUse } from '../../core/books/inUse.ts';
import { weightMessage } from '../../contracts/watering/scales.ts';
import { takeScaleWeight } from '../watering/scaleWeights.ts';
import { log } from '../log.ts';
import type { Link } from './broker.ts';
import { readHeat, type HeatContext, type ZoneNow } from './context.ts';
import { Intake } from './intake.ts';
import { WORDS } from '../../words/en/heat/bridge.ts';

const TICK_ms = 1_000;
/** A controller sends once a minute; a silence of this long, by its own clock and by ours, is looked at without it. */
const SILENT_s = 150;
const SILENT_REAL_ms = 12_000;
const FUTURE_ms = 10 * 60_000;
/** Readings of this long are folded together. */
const FOLD_ms = 1_000;
/** No sensible controller sends more often than this by its own stamps. */
const CLOSEST_ms = 4_000;

interface Watching {
  state: WatchState | null;
  heard_real_ms: number;
  gone: boolean;
  lastStamp_ms: number;
  findings: string;
  written_ms: number;
  pending: { sample: Sample; findings: Parameters<typeof syncAlarms>[2]; kinds: string } | null;
  /** Looks at a zone come one after the other. */
  chain: Promise<void>;
  outside_C: number | null;
}

/** Between the devices and the books: takes readings, keeps watch, gives out set-points. One in each server. */
export class Bridge {
  readonly #db: Db;
  readonly #intake: Intake;
  readonly #zones = new Map<number, Watching>();
  readonly #told = new Map<number, string>();
  #context: HeatContext | null = null;
  #link: Link | null = null;
  #timer: NodeJS.Timeout | null = null;
  #ticking = false;
  #refused = 0;

  constructor(db: Db) {
    this.#db = db;
    this.#intake = new Intake(db, (error) =>
      log.warn({ err: error.message, held: this.#intake.held }, 'readings wait for the database'),
    );
  }

  async start(
    link: (receive: (topic: string, payload: Uint8Array) => Promise<void>) => Promise<Link>,
  ): Promise<number | null> {
    this.#context = await readHeat(this.#db).catch(() => null);
    this.#link = await link((topic, payload) => this.receive(topic, payload));
    this.#timer = setInterval(() => void this.tick(), TICK_ms);
    return this.#link.port;
  }

  async stop(): Promise<void> {
    if (this.#timer) clearInterval(this.#timer);
    this.#intake.stop();
    await this.#link?.stop();
  }

  refuse(why: string): void {
    this.#refused++;
    if (this.#refused <= 20 || this.#refused % 1000 === 0)
      log.warn({ why, refused: this.#refused }, 'a device was not taken');
  }

  /** The application's now. */
  now_ms(): number {
    const clock = this.#context?.season.world.nursery.demoClock;
    return clock ? demoInstant_ms(clock, Date.now()) : Date.now();
  }

  /** A message of a device. Resolves once its readings are committed, or it is refused. */
  async receive(topic: string, payload: Uint8Array): Promise<void> {
    const [, , device, kind] = topic.split('/') as [string, string, string, string];
    if (kind === 'weight') return this.#weight(device, payload);
    const zone = this.#context?.zones.find((z) => z.zone.device === device);
    if (!zone) return this.refuse(WORDS.deviceIsInNoZone(device));
    const parsed = parse(payload);
    if (parsed === undefined) return this.refuse(WORDS.deviceSentWhatIsNot(device));
    if (kind === 'state') {
      const state = stateMessage.safeParse(parsed);
      if (state.success) this.#watching(zone.zone.id).gone = !state.data.online;
      else this.refuse(WORDS.deviceItsStateCannotBe(device));
      return;
    }
    const message = readingsMessage.safeParse(parsed);
    if (!message.success)
      return this.refuse(
        WORDS.device(device, message.error.issues[0]?.path.join('.'), message.error.issues[0]?.message),
      );
    await this.#readings(zone, message.data);
  }

  /** A weight of a scale. Resolves once it is written. */
  async #weight(device: string, payload: Uint8Array): Promise<void> {
    const season = this.#context?.season;
    const scale = season?.world.scales.find((one) => one.device === device && isInUse(one));
    if (!season || !scale) return this.refuse(WORDS.noSuchScale(device));
    const message = weightMessage.safeParse(parse(payload));
    if (!message.success) return this.refuse(WORDS.weightCannotBeRead(device));
    const at_ms = Date.parse(message.data.at);
    if (at_ms > this.now_ms() + FUTURE_ms) return this.refuse(WORDS.weightOfTheFuture(device, message.data.at));
    await takeScaleWeight(this.#db, season, scale, { at_ms, gross_g: message.data.weight_g });
  }

  #watching(zoneId: number): Watching {
    let w = this.#zones.get(zoneId);
    if (!w) {
      w = {
        state: null,
        heard_real_ms: Date.now(),
        gone: false,
        lastStamp_ms: -Infinity,
        findings: '?',
        written_ms: 0,
        pending: null,
        chain: Promise.resolve(),
        outside_C: null,
      };
      this.#zones.set(zoneId, w);
    }
    return w;
  }

  async #readings(zone: ZoneNow, message: ReadingsMessage): Promise<void> {
    const at_ms = Date.parse(message.at);
    const now_ms = this.now_ms();
    const w = this.#watching(zone.zone.id);
    // The clock was put back: what was heard ahead of it no longer counts as the last.
    if (w.lastStamp_ms > now_ms + FUTURE_ms) w.lastStamp_ms = -Infinity;
    if (at_ms > now_ms + FUTURE_ms)
      return this.refuse(`device "${zone.zone.device}": a reading from the future, ${message.at}; set its clock`);
    if (Math.abs(at_ms - w.lastStamp_ms) < CLOSEST_ms && at_ms !== w.lastStamp_ms)
      return this.refuse(WORDS.deviceSendsMoreOftenThan(zone.zone.device, CLOSEST_ms / 1000));
    const rows: ReadingRow[] = [];
    const value = (role: SeriesRole): number | null | undefined => {
      const raw = message.values[role];
      if (raw === undefined) return undefined;
      const sensor = role === 'outside' ? this.#context!.outsideSensor : zone.sensors.find((s) => s.role === role);
      if (!sensor || (role === 'set' ? raw === null : unbelievable(raw) !== null)) return null;
      const corrected = (raw as number) - sensor.offset_K;
      rows.push({ sensorId: sensor.id, at_ms, value: corrected });
      return corrected;
    };
    const [medium, bed, air, outside, heater] = (['medium', 'bed', 'air', 'outside', 'heater'] as const).map(value);
    value('set');
    await this.#intake.take(rows);
    void this.#ask('tiers', FOLD_ms);
    w.heard_real_ms = Date.now();
    w.gone = false;
    if (outside != null) w.outside_C = outside;
    // What was kept while the line was down comes late: it is written, but the watch looks only forward.
    if (at_ms <= w.lastStamp_ms) return;
    w.lastStamp_ms = at_ms;
    await this.#look(zone, {
      ...this.#surroundings(zone, w),
      at_s: at_ms / 1000,
      medium_C: medium ?? null,
      bed_C: bed,
      air_C: air,
      duty: Math.min(1, Math.max(0, heater ?? 0)),
      mains: message.mains ?? null,
      battery_frac: message.battery,
    });
  }

  /** A job that cannot be asked for now is done within the minute anyway. */
  async #ask(job: JobName, after_ms: number): Promise<void> {
    await askForJob(this.#db, job, after_ms).catch((error: Error) =>
      log.warn({ job, err: error.message }, 'a job could not be asked for'),
    );
  }

  #surroundings(zone: ZoneNow, w: Watching) {
    const c = this.#context!;
    const outside = w.outside_C ?? (c.night ? c.usualNight_C : c.usualDay_C);
    const { plusDay_K, plusNight_K } = zone.zone.spec.around;
    return {
      around_C: outside + (c.night ? plusNight_K : plusDay_K),
      floor_C: c.floor_C,
      night: c.night,
      set_C: zone.setPoint.set_C,
    };
  }

  #look(zone: ZoneNow, sample: Sample): Promise<void> {
    const w = this.#watching(zone.zone.id);
    const next = w.chain.then(() => this.#lookNow(zone, w, sample));
    // One that fails (the database went away) holds nobody up.
    w.chain = next.catch(() => undefined);
    return next;
  }

  async #lookNow(zone: ZoneNow, w: Watching, sample: Sample): Promise<void> {
    const last_s = w.state?.past.at(-1)?.sample.at_s ?? -Infinity;
    // The clock was put back: begin again from here.
    if (w.state === null || sample.at_s < last_s - 600) w.state = await this.#resume(zone, sample);
    const looked = watch(zone.watched, w.state, sample);
    w.state = looked.state;
    const findings = looked.findings.map((f) => ({
      kind: f.kind as AlarmKind,
      since_ms: f.since_s * 1000,
      evidence: f.evidence,
    }));
    const kinds = findings
      .map((f) => f.kind)
      .sort()
      .join();
    const now = Date.now();
    w.pending = { sample, findings, kinds };
    if (kinds !== w.findings || now - w.written_ms >= 900) await this.#report(zone, w);
  }

  /** Writes what the watch last said: the state of the zone, and its alarms when they or their figures moved. */
  async #report(zone: ZoneNow, w: Watching): Promise<void> {
    const { pending, state } = w;
    if (pending === null || state === null) return;
    w.pending = null;
    const { sample, findings, kinds } = pending;
    const trusted = believed(state);
    const status: ZoneStatus = {
      at_ms: sample.at_s * 1000,
      x: state.x,
      read: { medium: sample.medium_C, bed: sample.bed_C ?? null, air: sample.air_C ?? null },
      around_C: sample.around_C,
      outside_C: w.outside_C,
      duty: sample.duty,
      set_C: sample.set_C,
      believed: trusted,
      mains: sample.mains,
      night: sample.night,
      floor_C: sample.floor_C,
      safeDuty: trusted ? null : safeDuty(zone, sample),
    };
    await writeStatus(this.#db, zone.zone.id, status);
    if (kinds !== w.findings || findings.length > 0)
      await syncAlarms(this.#db, zone.zone.id, findings, sample.at_s * 1000);
    if (findings.length > 0) void this.#ask('alarms', kinds === w.findings ? FOLD_ms : 0);
    w.findings = kinds;
    w.written_ms = Date.now();
  }

  /** Picks up the watch where a stop left it: runs the last hour's readings through it again. */
  async #resume(zone: ZoneNow, first: Sample): Promise<WatchState> {
    const roles = new Map(zone.sensors.map((s) => [s.id, s.role]));
    const raw = await readRaw(
      this.#db,
      [...roles.keys()],
      first.at_s * 1000 - 3_600_000,
      first.at_s * 1000,
      2_000,
    ).catch(() => []);
    const byTime = new Map<number, Partial<Record<SeriesRole, number>>>();
    for (const r of raw) byTime.set(r.at_ms, { ...byTime.get(r.at_ms), [roles.get(r.sensorId)!]: r.value });
    let state: WatchState | null = null;
    for (const [at_ms, v] of [...byTime].sort(([a], [b]) => a - b)) {
      const sample: Sample = {
        ...first,
        at_s: at_ms / 1000,
        medium_C: v.medium ?? null,
        bed_C: v.bed,
        air_C: v.air,
        duty: v.heater ?? 0,
        set_C: v.set ?? first.set_C,
        mains: true,
      };
      state = state === null ? watchStart(sample) : watch(zone.watched, state, sample).state;
    }
    if (state !== null) return state;
    // Nothing in the last hour: it goes on from what was last known, so that silence counts from then.
    const known = (await readStatus(this.#db).catch(() => null))?.get(zone.zone.id);
    if (known === undefined || known.at_ms / 1000 >= first.at_s) return watchStart(first);
    const then: Sample = { ...first, at_s: known.at_ms / 1000, medium_C: known.read.medium, mains: known.mains };
    return watch(zone.watched, { ...watchStart(then), x: known.x }, then).state;
  }

  /** Every second: reads what is wanted, tells devices, looks at silent zones. */
  async tick(): Promise<void> {
    if (this.#ticking) return;
    this.#ticking = true;
    try {
      const context = await readHeat(this.#db);
      this.#context = context;
      for (const zone of context.zones) await this.#mind(zone);
      for (const order of await takeOrders(this.#db))
        await this.#link?.publish(`crook/1/${order.device}/${order.topic}`, JSON.stringify(order.body), false);
    } catch (error) {
      log.warn({ err: (error as Error).message }, 'heat waits');
    } finally {
      this.#ticking = false;
    }
  }

  /** One zone's turn. What goes wrong in it stops no other; the database going away stops all until it is back. */
  async #mind(zone: ZoneNow): Promise<void> {
    try {
      await this.#tell(zone);
      await this.#mindSilence(zone);
      await this.#report(zone, this.#watching(zone.zone.id));
    } catch (error) {
      log.warn({ zone: zone.zone.id, err: (error as Error).message }, 'a zone waits');
    }
  }

  async #tell(zone: ZoneNow): Promise<void> {
    const w = this.#watching(zone.zone.id);
    const { set_C, from, why } = zone.setPoint;
    const spec = zone.watched.zone;
    const trusted = w.state === null || believed(w.state);
    const safe = set_C === null ? 0 : safeDuty(zone, { ...this.#surroundings(zone, w), set_C });
    const config: Omit<DeviceConfig, 'seq'> = {
      set_C,
      safeDuty: Math.round(safe * 20) / 20,
      believe: trusted,
      cutOut_C: spec.cutOut_C,
      offset_K: zone.sensors.find((s) => s.role === spec.sensor)?.offset_K ?? 0,
      thermostat: spec.thermostat,
    };
    const text = JSON.stringify(config);
    const { id, device } = zone.zone;
    const told = `${device} ${text}`;
    if (this.#told.get(id) === told) return;
    this.#told.set(id, told);
    // Without a controller nothing is told; what the plan gives is written down all the same.
    if (device !== null)
      await this.#link?.publish(`crook/1/${device}/config`, JSON.stringify({ seq: Date.now(), ...config }), true);
    await logSetPoint(this.#db, id, {
      at_ms: this.now_ms(),
      set_C,
      from,
      by: zone.override?.by ?? WORDS.thePlan,
      why,
    });
  }

  async #mindSilence(zone: ZoneNow): Promise<void> {
    const w = this.#watching(zone.zone.id);
    const now_ms = this.now_ms();
    // Nobody expects a word of a zone that is read by hand.
    if (zone.zone.device === null) return;
    if (Date.now() - w.heard_real_ms < SILENT_REAL_ms && !w.gone) return;
    // Silent since a start: what was heard last stands in the database.
    const last_ms =
      w.state === null
        ? ((await readStatus(this.#db)).get(zone.zone.id)?.at_ms ?? null)
        : (w.state.past.at(-1)?.sample.at_s ?? -Infinity) * 1000;
    if (last_ms === null || now_ms - last_ms < SILENT_s * 1000) return;
    await this.#look(zone, {
      ...this.#surroundings(zone, w),
      at_s: now_ms / 1000,
      medium_C: null,
      bed_C: null,
      air_C: null,
      duty: w.gone ? 0 : (w.state?.past.at(-1)?.sample.duty ?? 0),
      mains: null,
      gone: w.gone,
    });
  }
}

/** Share of the time the heater may be on by the model alone, when no sensor is believed; a tenth more than it needs. */
function safeDuty(zone: ZoneNow, at: Pick<Sample, 'set_C' | 'around_C' | 'floor_C' | 'night'>): number {
  if (at.set_C === null) return 0;
  const spec = zone.watched.zone;
  const need_W = steadyNeed_W(spec, {
    set_C: at.set_C,
    around_C: at.around_C,
    floor_C: at.floor_C,
    mode: modeAt(spec, at.night),
  });
  return Math.min(1, (1.1 * need_W) / spec.heater.power_W);
}

function parse(payload: Uint8Array): unknown {
  try {
    return JSON.parse(Buffer.from(payload).toString('utf8'));
  } catch {
    return undefined;
  }
}
