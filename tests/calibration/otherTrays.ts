/**
 * Trays by another generator than the program's own: it takes nothing from src. Times of seeds are gamma or a mixture of two
 * gammas (primed and slow seed), tray effects are triangular, chance is a xorshift of its own. For calibration only.
 */
export type Chance = () => number;

/** xorshift32 (Marsaglia 2003, J. Stat. Softw. 8(14)), first draws thrown away. */
export function chanceOf(seed: number): Chance {
  let x = (seed * 2654435761) >>> 0 || 1;
  const next = (): number => {
    x ^= x << 13;
    x >>>= 0;
    x ^= x >>> 17;
    x ^= x << 5;
    x >>>= 0;
    return x / 4294967296;
  };
  for (let i = 0; i < 20; i++) next();
  return next;
}

/** Standard normal by the polar method (Marsaglia & Bray 1964). */
export function gauss(chance: Chance): number {
  for (;;) {
    const u = 2 * chance() - 1;
    const v = 2 * chance() - 1;
    const s = u * u + v * v;
    if (s > 0 && s < 1) return u * Math.sqrt((-2 * Math.log(s)) / s);
  }
}

/** Gamma of whole and part shape: Cheng's GB for shapes above one (Cheng 1977, Appl. Stat. 26, 71-75). */
export function gammaDraw(chance: Chance, shape: number): number {
  if (shape <= 1) return gammaDraw(chance, shape + 1) * Math.max(1e-12, chance()) ** (1 / shape);
  const a = 1 / Math.sqrt(2 * shape - 1);
  const b = shape - Math.log(4);
  const c = shape + 1 / a;
  for (;;) {
    const u = Math.max(1e-12, chance());
    const v = Math.max(1e-12, chance());
    const y = a * Math.log(u / (1 - u + 1e-15));
    const x = shape * Math.exp(y);
    const z = u * u * v;
    const r = b + c * y - x;
    if (r + 2.504077397 - 4.5 * z >= 0 || r >= Math.log(z)) return x;
  }
}

/** Triangular about 0 with this standard deviation. */
const triangle = (chance: Chance, sd: number): number => (chance() + chance() - 1) * sd * Math.sqrt(6);

export interface OtherTray {
  readonly looks: readonly { readonly progress: number; readonly up: number }[];
  /** Up in the end, however long one waits. */
  readonly end: number;
  /** True middle time of the tray's seeds against the crop's. */
  readonly middle: number;
}

export interface OtherLot {
  readonly kind: 'gamma' | 'mixture';
  /** About the standard deviation of the log of the seeds' times. */
  readonly spread: number;
  /** Middle time of the lot against what the library says. */
  readonly factor: number;
  /** Standard deviation of a tray's own log factor. */
  readonly tray_sd: number;
  /** Share that comes, on average, and how it differs from tray to tray. */
  readonly share: number;
  readonly share_sd: number;
}

export function otherTray(chance: Chance, lot: OtherLot, sown: number, progresses: readonly number[]): OtherTray {
  const shape = 1 / lot.spread ** 2;
  // The middle of a gamma lies near shape - 1/3 (Wilson & Hilferty 1931).
  const middle = lot.factor * Math.exp(triangle(chance, lot.tray_sd));
  const share = Math.min(0.99, Math.max(0.05, lot.share + triangle(chance, lot.share_sd)));
  const times: number[] = [];
  for (let i = 0; i < sown; i++) {
    if (chance() >= share) continue;
    if (lot.kind === 'gamma') times.push((middle * gammaDraw(chance, shape)) / (shape - 1 / 3));
    else {
      // Seven in ten somewhat quicker and closer together, three in ten slower.
      const slow = chance() < 0.3;
      const k = shape * 1.8;
      const at = middle * (slow ? 1 + 1.3 * lot.spread : 1 - 0.35 * lot.spread);
      times.push((at * gammaDraw(chance, k)) / (k - 1 / 3));
    }
  }
  return {
    looks: progresses.map((progress) => ({ progress, up: times.filter((t) => t <= progress).length })),
    end: times.length,
    middle,
  };
}
