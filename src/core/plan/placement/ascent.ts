const MEAN_kept = 0.9;
const SQUARE_kept = 0.99;
const TINY = 1e-12;

/** A bound so far: no plan of those it holds for is cheaper. */
export interface BoundReport {
  readonly step: number;
  readonly steps: number;
  readonly bound: number;
}

/** How far a price moves in a step, at first and at last, as a share of what is usual there. */
const STEP_frac = [0.1, 0.003] as const;

/**
 * The highest bound that prices find which are moved so many times.
 * @param market what it sells for at the prices there are, which is a bound whatever they are, and a move of them
 */
export function* highest(
  market: { sell(): number; move(step: number): void },
  steps: number,
): Generator<BoundReport, number> {
  const [first, last] = STEP_frac;
  let best = -Infinity;
  for (let step = 0; step < steps; step++) {
    best = Math.max(best, market.sell());
    market.move(first * Math.pow(last / first, step / steps));
    if ((step + 1) % 5 === 0) yield { step: step + 1, steps, bound: best };
  }
  return best;
}

/**
 * Prices that follow what is wanted beyond what there is, each by its own steps.
 * @source Kingma & Ba 2015 (from memory)
 */
export class Ascent {
  readonly price: Float64Array;
  /** What was wanted less what there is. */
  readonly wanted: Float64Array;
  private readonly mean: Float64Array;
  private readonly square: Float64Array;
  private readonly scale: Float64Array;
  private moves = 0;

  /**
   * @param scale what is a usual price of each
   * @param most no price is higher
   */
  constructor(
    n: number,
    scale: (i: number) => number,
    private readonly most = Infinity,
  ) {
    this.price = new Float64Array(n);
    this.wanted = new Float64Array(n);
    this.mean = new Float64Array(n);
    this.square = new Float64Array(n);
    this.scale = Float64Array.from({ length: n }, (_, i) => scale(i));
  }

  /** Moves each price by at most about so much of what is usual. */
  move(step: number): void {
    this.moves++;
    const ofMean = 1 - Math.pow(MEAN_kept, this.moves);
    const ofSquare = 1 - Math.pow(SQUARE_kept, this.moves);
    const { price, wanted, mean, square, scale, most } = this;
    for (let i = 0; i < price.length; i++) {
      const g = wanted[i]!;
      if (g === 0 && mean[i] === 0) continue;
      mean[i] = MEAN_kept * mean[i]! + (1 - MEAN_kept) * g;
      square[i] = SQUARE_kept * square[i]! + (1 - SQUARE_kept) * g * g;
      const by = (step * scale[i]! * (mean[i]! / ofMean)) / (Math.sqrt(square[i]! / ofSquare) + TINY);
      price[i] = Math.min(most, Math.max(0, price[i]! + by));
    }
  }
}
