import type { AuditLine } from '../../contracts/house/access.ts';
import type { World } from '../../core/house/world.ts';
import { WORDS } from '../../words/en/house/audit.ts';

/** A line of the audit list, said. */
export interface AuditSaid {
  readonly id: number;
  readonly at: string;
  readonly who: string;
  readonly heading: string;
  /** What was changed, each with what it was before. */
  readonly parts: readonly string[];
}

/** Longer values are cut: a build of a zone is a page of figures. */
const MOST_letters = 60;
/** Rows about a person, and what names the row. */
const OF_PERSON = new Set(['people', 'accounts']);
const OF_PLACE = new Set(['place_set_points']);

function value(of: unknown, key: string, world: World): string {
  if (of === null || of === undefined || of === '') return WORDS.nothing;
  if (key.endsWith('person_id') || key === 'made_by')
    return world.people.find(({ id }) => id === of)?.name ?? String(of);
  if (key === 'place_id') return world.places.find(({ id }) => id === of)?.name ?? String(of);
  if (key.endsWith('_at') && typeof of === 'string') return timeOf(new Date(of).getTime(), world);
  const text = typeof of === 'object' ? JSON.stringify(of) : String(of as string | number | boolean);
  return text.length <= MOST_letters ? text : `${text.slice(0, MOST_letters)}…`;
}

const timeOf = (at_ms: number, { nursery }: World): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: nursery.timeZone,
  }).format(at_ms);

/** Words of a line, with names for the numbers of people and places. Times are of the machine's clock, in the nursery's zone. */
export function auditWords(line: AuditLine, world: World): AuditSaid {
  const tables: Readonly<Record<string, string>> = WORDS.tables;
  const { what, done, rowId } = line;
  const all = { ...line.old, ...line.new };
  const personId = OF_PERSON.has(what) ? rowId : (all['person_id'] as number | undefined);
  const placeId = OF_PLACE.has(what) ? rowId : (all['place_id'] as number | undefined);
  const person = personId == null ? undefined : world.people.find(({ id }) => id === personId)?.name;
  const place = placeId == null ? undefined : world.places.find(({ id }) => id === placeId)?.name;
  const keys = Object.keys(all).filter(
    (key) => key !== 'id' && !(key === 'person_id' && person) && !(key === 'place_id' && place),
  );
  const parts = keys.flatMap((key) => {
    const name = WORDS.columns[key] ?? key.replaceAll('_', ' ');
    const old = value(line.old[key], key, world);
    const now = value(line.new[key], key, world);
    if (done === 'changed' && key in line.old) return [WORDS.from(name, old, now)];
    const only = done === 'removed' ? old : now;
    return only === WORDS.nothing ? [] : [WORDS.is(name, only)];
  });
  return {
    id: line.id,
    at: timeOf(line.at_ms, world),
    who: world.people.find(({ id }) => id === line.authorId)?.name ?? WORDS.nobody,
    heading: WORDS.heading(tables[what] ?? what, person ?? place ?? '', WORDS.done[done]),
    parts,
  };
}
