import { backwardChain } from './backward.ts';
import type { ChainResult } from './chain.ts';
import { forwardChain } from './forward.ts';
import type { RouteInput } from './route.ts';

/**
 * The chain of a plan before anything has happened: back from the transplant date, or forward from the day the plan names
 * for the sowing, or from the day its plugs come.
 */
export function plannedChain(input: RouteInput): ChainResult {
  const { steps, joins } = input.plan;
  const start = joins?.on ?? steps?.sow;
  if (start === undefined) return backwardChain(input);
  return forwardChain({ ...input, sowOn: start, facts: {}, today: null, waitForDate: true });
}
