import type { z } from 'zod';
import { eventInput } from '../../contracts/batch/batches.ts';
import { photoCountInput } from '../../contracts/germination/photoCount.ts';
import { handReadingInput } from '../../contracts/heat/heat.ts';
import type { Caller } from '../../contracts/house/access.ts';
import type { EntriesInput, EntryAnswer } from '../../contracts/house/entries.ts';
import { roundLineInput } from '../../contracts/house/round.ts';
import { siteReadingInput } from '../../contracts/weather/siteReadings.ts';
import { waterInput } from '../../contracts/watering/water.ts';
import { holdTogether } from '../../db/batch/batches.ts';
import { together, writeAs, type Transaction } from '../../db/inTransaction.ts';
import { database } from '../database.ts';
import { logEvent } from '../batch/changeBatches.ts';
import { check, problemOf } from '../edge.ts';
import { refuseAnothers } from './caller.ts';
import { keepPhotoCount } from '../germination/photoCounts.ts';
import { addHandReading } from '../heat/changes.ts';
import { waitWithReadAhead } from '../plan/season.ts';
import { logReading } from '../weather/siteReadings.ts';
import { logWater } from '../watering/logWater.ts';
import { logRound } from './logRound.ts';

interface Way {
  readonly path: RegExp;
  /** Does it and answers whether it was done before. */
  readonly go: (id: number, body: unknown) => Promise<{ readonly repeated: boolean }>;
}
const way = <T extends z.ZodType>(
  path: RegExp,
  schema: T,
  act: (id: number, input: z.output<T>) => Promise<{ readonly repeated: boolean }>,
): Way => ({ path, go: (id, body) => act(id, check(schema, body)) });

const LINE_OF_BATCH = /^\/api\/batch\/(\d+)\/events$/;

/** Whatever else is called a key is refused with its own line. */
const PLAIN_KEY = /^[ -~]{1,200}$/;

/** What may come together; each as its own call does it. */
const WAYS: readonly Way[] = [
  way(LINE_OF_BATCH, eventInput, logEvent),
  way(/^\/api\/house\/round\/lines$/, roundLineInput, (_, input) => logRound(input)),
  way(/^\/api\/batch\/(\d+)\/photo-counts$/, photoCountInput, keepPhotoCount),
  way(/^\/api\/heat\/zones\/(\d+)\/by-hand$/, handReadingInput, addHandReading),
  way(/^\/api\/watering\/lines$/, waterInput, (_, input) => logWater(input)),
  way(/^\/api\/weather\/readings$/, siteReadingInput, (_, input) => logReading(input)),
];

/**
 * Does what waited on a device, one after another in its order, each in the name of whose hands it was and as old as it is. What is
 * refused holds up nothing, also what another person than the one signed in had tapped. At a failure of the application itself it stops, and the rest is not answered.
 */
export async function doEntries({ entries }: EntriesInput, caller: Caller): Promise<EntryAnswer[]> {
  waitWithReadAhead();
  return together(database(), async (within) => {
    await holdBatches(entries, within);
    const answers: EntryAnswer[] = [];
    for (const { path, body, personId, age_ms } of entries) {
      const author = caller.kind === 'person' ? caller.personId : personId;
      const answer = await writeAs(author, () => answerTo(path, body, () => refuseAnothers(caller, personId)), age_ms);
      answers.push(answer);
      if (answer.status >= 500) break;
    }
    return answers;
  });
}

/** What lines to batches ask of the database, asked once for all of them. */
async function holdBatches(entries: EntriesInput['entries'], within: Transaction): Promise<void> {
  const lines = entries.flatMap(({ path, body }) => {
    const id = LINE_OF_BATCH.exec(path)?.[1];
    return id === undefined ? [] : [{ id: Number(id), key: body['idempotencyKey'] }];
  });
  const keys = lines
    .map(({ key }) => key)
    .filter((key): key is string => typeof key === 'string' && PLAIN_KEY.test(key));
  if (lines.length > 1) await holdTogether([...new Set(lines.map(({ id }) => id))], keys, within);
}

async function answerTo(path: string, body: unknown, first: () => Promise<void>): Promise<EntryAnswer> {
  try {
    await first();
    for (const { path: pattern, go } of WAYS) {
      const found = pattern.exec(path);
      if (!found) continue;
      const done = await go(Number(found[1] ?? 0), body);
      return { status: done.repeated ? 200 : 201, body: done };
    }
    throw new Error(`no way for ${path}`);
  } catch (error) {
    const problem = problemOf(error, path);
    return { status: problem.status, body: problem };
  }
}
