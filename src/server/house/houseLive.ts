import { readMarks } from '../../db/house/world.ts';
import { database } from '../database.ts';
import { broadcast } from '../live.ts';

/** How far the nursery's books and logs are written: another than before says that somebody has written. */
export const houseLive = broadcast(async () => JSON.stringify({ revision: (await readMarks(database())).revision }));
