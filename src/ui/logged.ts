import { freshKey, trouble } from './call.ts';
import { sayHere } from './kit/said.ts';
import { postLine, type Logged } from './logPost.ts';
import type { Answer } from './call.ts';
import { WORDS } from '../words/en/ui/logged.ts';

/**
 * Says that a line was logged, with a button that withdraws it.
 * @param words what was logged, as a sentence would end with it
 * @param day ISO day on which it would be withdrawn
 * @param answer how the line went out
 * @param then what is read again when it was withdrawn
 */
export function sayLogged(
  words: string,
  batchId: number,
  day: string,
  answer: Extract<Answer<Logged>, { kind: 'done' }> | { kind: 'kept' },
  then: () => Promise<void>,
): void {
  if (answer.kind === 'kept') return sayHere({ words: WORDS.kept(words) });
  const correctsId = answer.value.eventId;
  sayHere({
    words: WORDS.logged(words),
    undo: async () => {
      const undone = await postLine(batchId, { idempotencyKey: freshKey(), kind: 'withdrawn', day, correctsId });
      const said = undone.kind === 'done' || undone.kind === 'kept';
      sayHere({ words: said ? WORDS.undone(words) : trouble(undone) });
      await then();
    },
  });
}
