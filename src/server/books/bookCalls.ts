import type { APIContext } from 'astro';
import { z } from 'zod';
import { retireInput } from '../../contracts/books/books.ts';
import { version } from '../../contracts/fields.ts';
import { ProblemError } from '../../contracts/problem.ts';
import type { LotRecord, PlaceRecord } from '../../core/books/records.ts';
import type { BookInputs, BookName } from '../../db/books/books.ts';
import { BOOK_NAMES, BOOK_SCHEMAS, deleteBookLine, readBook, retireBookLine, writeLine } from './changeBooks.ts';
import { lotAnswer } from './lotAnswer.ts';
import { placeAnswer } from './placeAnswer.ts';
import { body, check, idParam, json } from '../edge.ts';
import { WORDS } from '../../words/en/books/bookCalls.ts';

/** The book named in the address, or a 404. */
export function bookParam(context: APIContext): BookName {
  const name = context.params['book'] as BookName;
  if (!BOOK_NAMES.includes(name)) throw new ProblemError(404, WORDS.noSuchCall, WORDS.seeApiOpenapiJsonFor);
  return name;
}

export async function readBookLines(book: BookName): Promise<Response> {
  const lines = await readBook(book);
  if (book === 'places') return json((lines as readonly PlaceRecord[]).map(placeAnswer));
  return json(book === 'lots' ? (lines as readonly LotRecord[]).map(lotAnswer) : lines);
}

export async function addLine(context: APIContext, book: BookName): Promise<Response> {
  const input = withoutRetired(await body(context, z.unknown()));
  return json(await writeLine(book, check(BOOK_SCHEMAS[book], input) as BookInputs[typeof book], null), 201);
}

export async function retire(context: APIContext, book: BookName): Promise<Response> {
  const sent = await body(context, retireInput);
  return json(await retireBookLine(book, { id: idParam(context), version: sent.version }, sent.retired));
}

export async function remove(context: APIContext, book: BookName): Promise<Response> {
  const sent = check(z.strictObject({ version: z.coerce.number().pipe(version) }), {
    version: context.url.searchParams.get('version') ?? undefined,
  });
  await deleteBookLine(book, { id: idParam(context), version: sent.version });
  return json({ deleted: true });
}

export async function changeLine(context: APIContext, book: BookName): Promise<Response> {
  const sent = await body(context, z.strictObject({ version, line: z.unknown() }));
  const line = check(BOOK_SCHEMAS[book], withoutRetired(sent.line)) as BookInputs[typeof book];
  return json(
    await writeLine(book, line, {
      id: idParam(context),
      version: sent.version,
    }),
  );
}

/** A line as it was read may be sent back: whether it is retired is said by a call of its own. */
function withoutRetired(line: unknown): unknown {
  if (typeof line !== 'object' || line === null) return line;
  const { retiredOn: _retiredOn, ...rest } = line as Record<string, unknown>;
  return rest;
}
