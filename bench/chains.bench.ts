import { libraryCrops } from '../bin/libraryCrops.ts';
import { randomChain, tryChain } from '../tests/support/randomChains.ts';
import { row, type Figures } from './form.ts';

const CHAINS = 2_000;

/** Random chains of both hemispheres, leap years and weekly set-points, planned back and walked forward. */
export default async function bench(): Promise<Figures> {
  const crops = await libraryCrops();
  const began = performance.now();
  const tried = [];
  let seed = 0;
  for (; tried.length < CHAINS; seed++) {
    const chain = tryChain(randomChain(seed, crops));
    if (chain) tried.push(chain);
  }
  const took_ms = performance.now() - began;
  return {
    bench: 'chains',
    method: `${CHAINS} chains that can be planned, of ${seed} made up (seeds 0 to ${seed - 1}): planned back from the date, then walked forward from the planned sowing day and from the day after`,
    rows: [
      row('chains tried', tried.length, 'chains', '>= 2000'),
      row('largest difference back and forth', Math.max(...tried.map((t) => t.apart_days)), 'days', '<= 1'),
      row('chains over a day apart', tried.filter((t) => t.apart_days > 1).length, 'chains', '= 0'),
      row('milestones, largest difference', Math.max(...tried.map((t) => t.milestones_days)), 'days', '<= 1'),
      row('planned days that are not the last in time', tried.filter((t) => !t.last).length, 'chains', '= 0'),
      row('time a chain, both ways and its tables', took_ms / seed, 'ms'),
    ],
  };
}
