import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { advance, MEDIUM, networkOf, stepOf } from './network.ts';
import type { Sample } from './sample.ts';
import { modeAt } from './simulate.ts';
import type { ZoneSpec } from './zone.ts';
import { WORDS } from '../../words/en/heat/fit.ts';

/** What a few nights of readings say of a zone, against how it was built. */
export type ZoneFit =
  | {
      readonly kind: 'fitted';
      /** Times the loss and the heat held of the zone as it is written. */
      readonly loss_factor: number;
      readonly capacity_factor: number;
      /** Root mean square of predicted less measured medium, K. */
      readonly residual_K: number;
      readonly before_K: number;
      readonly hours: number;
      /** Medium predicted at each sample with the fitted factors. */
      readonly predicted_C: readonly number[];
      /** The samples used, in the same order. */
      readonly used: readonly Sample[];
      readonly iterations: number;
    }
  | { readonly kind: 'not-fitted'; readonly why: string };

const FEWEST_h = 6;

/**
 * Fits the loss and the capacity of a zone to readings of its nights by least squares on the medium's temperature, the model
 * started from the first sample of each stretch and left to run with the reported duty.
 * @param samples in order of time; stretches are parted where more than 30 minutes are missing, and only nights are used
 * @returns not-fitted when there are too few hours, the readings do not move, or the fit does not settle
 * @source Levenberg-Marquardt least squares (Marquardt 1963) by a library; the residual is checked here
 */
export function fitZone(zone: ZoneSpec, samples: readonly Sample[]): ZoneFit {
  const stretches = nights(samples);
  const used = stretches.flat();
  const hours = stretches.reduce((sum, s) => sum + (s.at(-1)!.at_s - s[0]!.at_s) / 3600, 0);
  if (hours < FEWEST_h) return { kind: 'not-fitted', why: WORDS.onlyHoursOfNightWith(hours.toFixed(1), FEWEST_h) };
  const measured = used.map((s) => s.medium_C!);
  const spread = Math.max(...used.map((s) => s.medium_C! - s.around_C));
  if (spread < 3) return { kind: 'not-fitted', why: WORDS.theMediumWasNever3 };
  const run = (loss: number, capacity: number) =>
    predict({ ...zone, fit: { loss_factor: loss, capacity_factor: capacity } }, stretches);
  const first = predict(zone, stretches);
  const { loss_factor, capacity_factor } = zone.fit;
  let evaluations = 0;
  const held: { key: string; values: number[] } = { key: '', values: [] };
  const result = levenbergMarquardt(
    { x: used.map((_, i) => i), y: measured },
    ([logLoss, logCapacity]) => {
      const key = `${logLoss} ${logCapacity}`;
      return (i: number) => {
        if (held.key !== key) {
          held.key = key;
          held.values = run(Math.exp(logLoss!), Math.exp(logCapacity!));
          evaluations++;
        }
        return held.values[i]!;
      };
    },
    {
      initialValues: [Math.log(loss_factor), Math.log(capacity_factor)],
      damping: 0.01,
      gradientDifference: 1e-3,
      maxIterations: 40,
      errorTolerance: 1e-8,
      minValues: [Math.log(0.2), Math.log(0.2)],
      maxValues: [Math.log(5), Math.log(5)],
    },
  );
  const [loss, capacity] = result.parameterValues.map(Math.exp) as [number, number];
  const predicted_C = run(loss, capacity);
  const residual_K = rms(predicted_C, measured);
  const before_K = rms(first, measured);
  if (!(residual_K <= before_K + 1e-9) || residual_K > 1.5)
    return {
      kind: 'not-fitted',
      why: WORDS.noLossAndCapacityBring(Math.min(residual_K, before_K).toFixed(1)),
    };
  return {
    kind: 'fitted',
    loss_factor: loss,
    capacity_factor: capacity,
    residual_K,
    before_K,
    hours,
    predicted_C,
    used,
    iterations: evaluations,
  };
}

/** Nights without a gap, at least an hour each. */
export function nights(samples: readonly Sample[]): Sample[][] {
  const out: Sample[][] = [];
  let now: Sample[] = [];
  const close = () => {
    if (now.length > 3 && now.at(-1)!.at_s - now[0]!.at_s >= 3600) out.push(now);
    now = [];
  };
  for (const s of samples) {
    if (!s.night || s.medium_C === null) close();
    else {
      if (now.length > 0 && s.at_s - now.at(-1)!.at_s > 1800) close();
      now.push(s);
    }
  }
  close();
  return out;
}

function predict(zone: ZoneSpec, stretches: readonly (readonly Sample[])[]): number[] {
  const network = networkOf(zone, modeAt(zone, true));
  const steps = new Map<number, ReturnType<typeof stepOf>>();
  const out: number[] = [];
  for (const stretch of stretches) {
    const start = stretch[0]!;
    let x: ArrayLike<number> = [start.bed_C ?? start.medium_C!, start.medium_C!, start.air_C ?? start.around_C];
    let at_s = start.at_s;
    for (const s of stretch) {
      const dt = s.at_s - at_s;
      if (dt > 0) {
        const step = steps.get(dt) ?? stepOf(network, dt);
        steps.set(dt, step);
        x = advance(step, x, [s.mains === false ? 0 : s.duty * zone.heater.power_W, 0, s.around_C, s.floor_C]);
        at_s = s.at_s;
      }
      out.push(x[MEDIUM]!);
    }
  }
  return out;
}

function rms(a: readonly number[], b: readonly number[]): number {
  return Math.sqrt(a.reduce((sum, value, i) => sum + (value - b[i]!) ** 2, 0) / a.length);
}

/** The fit in the grower's words. */
export function fitWords(fit: ZoneFit): string {
  if (fit.kind === 'not-fitted') return WORDS.notLearned(fit.why);
  const percent = Math.round(100 * Math.abs(fit.loss_factor - 1));
  const asked = WORDS.isTheCoverOnAnd;
  if (percent < 10) return WORDS.itLosesHeatAsBuilt;
  return fit.loss_factor > 1 ? WORDS.itLosesMoreThanBuilt(percent, asked) : WORDS.itLosesLessThanBuilt(percent);
}
