import type { Call } from '../call.ts';
import { WORDS } from '../../words/en/house/search.ts';

export type FoundKind = 'batch' | 'crop' | 'place' | 'lot';

/** A thing of the house that can be found: its name, other words it is found by, and its page. */
export interface Findable {
  readonly kind: FoundKind;
  readonly name: string;
  /** Code, other names: found by them, not shown as its name. */
  readonly also: string;
  readonly note: string;
  readonly href: string;
}

export interface FindAnswer {
  readonly things: readonly Findable[];
}

export const SEARCH_CALLS: readonly Call[] = [
  {
    method: 'get',
    path: '/api/house/find',
    summary: WORDS.batchesCropsPlacesAndSeed,
    status: 200,
  },
];
