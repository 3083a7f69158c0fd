import { gauss, type Chance } from './otherTrays.ts';

/** A made-up batch as a grower would note it: what it had grown when it was ready by eye, and when it was potted. */
export interface OtherBatch {
  readonly rootsAt: number | null;
  readonly pottedAt: number;
}

/**
 * Growth by another generator than the program's own: the plant needs `factor` times the book's sum, batches differ by a few
 * percent (normal on the plain scale), it is looked at every second day, and potted a day or two early or late.
 * @param pot_degreeDays sum of the book
 * @param bad it stood still for reasons of its own: half as long again to twice as long
 */
export function otherBatch(chance: Chance, factor: number, pot_degreeDays: number, bad: boolean): OtherBatch {
  const perDay = 8 + 6 * chance();
  const stood = bad ? 1.5 + 0.5 * chance() : 1;
  const ready_days = (pot_degreeDays * factor * stood * Math.max(0.7, 1 + 0.05 * gauss(chance))) / perDay;
  const seen_days = 2 * Math.round(ready_days / 2);
  const potted_days = ready_days + 3 * (chance() - 0.5);
  return {
    rootsAt: chance() < 0.5 ? seen_days * perDay : null,
    pottedAt: Math.max(1, potted_days) * perDay,
  };
}
