import { connectAsync } from 'mqtt';
import { seededRandom } from '../src/core/numerics/random.ts';

/** A tray on a simulated scale. */
export interface TrayOnScale {
  readonly device: string;
  /** Tray, mix and plants when all water that plants can take is gone, and that water, grams. */
  readonly dry_g: number;
  readonly water_g: number;
}

export interface ScalesOptions {
  readonly url: string;
  readonly user: string;
  readonly password: string;
  readonly scales: readonly TrayOnScale[];
  readonly utcOffset_min: number;
  /** The application's now. */
  readonly now_ms: () => number;
}

const MINUTE_ms = 60_000;
/** Hours told at the start, so that there is a weight also while the clock stands. */
const BACK_h = 3;
const EVERY_min = 10;
const STEP_ms = 1_000;
/** Most weights sent in one go, when the clock runs fast. */
const MOST = 30;
/** Somebody waters it at this hour of a morning on which it is getting light. */
const WATERED_h = 8.2;

/** A tray that dries by day and a little by night, and is watered in the morning; made up by a rule of its own. */
export class SimulatedScale {
  readonly #tray: TrayOnScale;
  readonly #offset_ms: number;
  readonly #noise: () => number;
  #left = 0.62;
  at_ms: number;

  constructor(tray: TrayOnScale, utcOffset_min: number, from_ms: number) {
    this.#tray = tray;
    this.#offset_ms = utcOffset_min * MINUTE_ms;
    this.#noise = seededRandom(tray.device.length + 11);
    this.at_ms = from_ms;
  }

  /** Weights from when it was last asked to now, one every ten minutes. */
  runTo(now_ms: number): { readonly at_ms: number; readonly weight_g: number }[] {
    const out = [];
    // A clock put back or far on: it is simply there.
    if (now_ms < this.at_ms || now_ms - this.at_ms > 40 * 60 * MINUTE_ms) this.at_ms = now_ms - EVERY_min * MINUTE_ms;
    for (; this.at_ms + EVERY_min * MINUTE_ms <= now_ms;) {
      this.at_ms += EVERY_min * MINUTE_ms;
      const hour = (((this.at_ms + this.#offset_ms) / 3_600_000) % 24) + EVERY_min / 120;
      const sun = Math.max(0, Math.sin(((hour - 6) / 14) * Math.PI));
      this.#left = Math.max(0, this.#left - (EVERY_min / 60) * (0.006 + 0.07 * sun * (0.3 + this.#left)));
      if (hour >= WATERED_h && hour < WATERED_h + EVERY_min / 60 && this.#left < 0.55) this.#left = 0.96;
      const { dry_g, water_g } = this.#tray;
      const weight_g = Math.round(dry_g + this.#left * water_g + 4 * (this.#noise() - 0.5));
      out.push({ at_ms: this.at_ms, weight_g });
    }
    return out;
  }
}

/** Simulated scales of the demo, each a client of the broker, as docs/DEVICES.md has it. */
export async function startScales(options: ScalesOptions): Promise<() => Promise<void>> {
  const { url, user, password, utcOffset_min, now_ms } = options;
  const clients = await Promise.all(
    options.scales.map(async (tray) => ({
      scale: new SimulatedScale(tray, utcOffset_min, now_ms() - BACK_h * 60 * MINUTE_ms),
      topic: `crook/1/${tray.device}/weight`,
      client: await connectAsync(url, {
        protocolVersion: 4,
        clientId: tray.device,
        username: user,
        password,
        reconnectPeriod: STEP_ms,
      }),
    })),
  );
  let seq = 0;
  const timer = setInterval(() => {
    for (const { scale, topic, client } of clients)
      for (const { at_ms, weight_g } of scale.runTo(now_ms()).slice(-MOST))
        void client
          .publishAsync(topic, JSON.stringify({ seq: seq++, at: new Date(at_ms).toISOString(), weight_g }), { qos: 1 })
          .catch(() => undefined);
  }, STEP_ms);
  return async () => {
    clearInterval(timer);
    await Promise.all(clients.map(({ client }) => client.endAsync(true)));
  };
}
