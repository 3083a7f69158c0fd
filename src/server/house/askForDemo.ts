import { ProblemError } from '../../contracts/problem.ts';
import { database } from '../database.ts';
import { whatIsThere } from '../../db/house/whatIsThere.ts';
import { WORDS } from '../../words/en/house/askForDemo.ts';

/** The event of the process by which the demo is asked for: what serves it (bin/serve.ts) sets it up and serves again. */
export const DEMO_WANTED = 'crook: demo wanted';
/** So that the answer is out before the server stops. */
const AFTER_ms = 200;

/**
 * Has the demo nursery set up in place of one that was not begun.
 * @throws ProblemError 409 when something stands there already
 */
export async function askForDemo(): Promise<void> {
  database();
  if ((await whatIsThere()) !== 'not begun') throw new ProblemError(409, WORDS.begun, WORDS.neverOverwritten);
  setTimeout(() => (process as NodeJS.EventEmitter).emit(DEMO_WANTED), AFTER_ms).unref();
}
