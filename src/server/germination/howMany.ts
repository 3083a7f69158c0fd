import { plainCropOf } from '../../core/books/cropOf.ts';
import { expectedShare } from '../../core/germination/learned.ts';
import { seedsBehindShare, USUAL_TEST_seeds } from '../../core/germination/learning.ts';
import { ageOfLot } from '../../core/germination/lotAge.ts';
import { FIELD_frac } from '../../core/germination/usual.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/germination/howMany.ts';

/** What it takes to say how many seeds a batch wants: its lot, what share of it comes and what that is known from. */
export function howManyData({ world, now }: Season, { batch }: BatchView) {
  const crop = plainCropOf(world, batch);
  const lot = world.lots.find((one) => one.id === batch.lotId) ?? null;
  const container = world.containers.find((one) => one.id === batch.plan.sowContainerId)!;
  // Above 1 where balls of several seeds were tested: then it is sprouts of a ball.
  const tested_frac = lot?.germination_percent == null ? null : lot.germination_percent / 100;
  const age = ageOfLot(lot, crop, now.today);
  const tested_seeds = lot?.tests.at(-1)?.seeds ?? (tested_frac === null ? null : USUAL_TEST_seeds);
  const reckoned = age.kind === 'reckoned';
  return {
    crop,
    lot,
    container,
    age,
    germination_frac: reckoned ? age.viable_frac : (tested_frac ?? expectedShare(null) / FIELD_frac),
    germinationFrom: reckoned
      ? WORDS.reckonedFromItsTestAnd
      : tested_frac === null
        ? WORDS.noTestTheUsual
        : WORDS.testOfLot(lot!.code),
    behind_seeds: seedsBehindShare(tested_seeds),
  };
}
