import type { APIContext, APIRoute } from 'astro';
import { BaseError, ConnectionError, DatabaseError } from 'sequelize';
import type { z } from 'zod';
import { fieldProblem, ProblemError, type FieldError, type Problem } from '../contracts/problem.ts';
import { log } from './log.ts';
import { readAhead } from './plan/season.ts';
import { WORDS } from '../words/en/house/edge.ts';

/** Largest body of an ordinary call. */
export const BODY_BYTES = 64 * 1024;
/** Largest body of an import. */
export const IMPORT_BYTES = 3 * 1024 * 1024;
/** Largest body of entries that waited on a device and come together. */
export const ENTRIES_BYTES = 256 * 1024;
/** Largest body of a photo: its picture as base64. */
export const PHOTO_BYTES = 2 * 1024 * 1024;
/** Largest file of daily weather, decades of it. */
export const WEATHER_BYTES = 9 * 1024 * 1024;

type Handler = (context: APIContext) => Promise<Response>;

/** An endpoint whose failures become problem details. */
export function endpoint(handler: Handler): APIRoute {
  return async (context) => {
    try {
      const response = await handler(context);
      if (context.request.method !== 'GET') readAhead();
      return response;
    } catch (error) {
      return problemResponse(problemOf(error, context.url.pathname));
    }
  };
}

/** JSON answer. */
export function json(body: unknown, status = 200): Response {
  return new Response(JSON.stringify(body), {
    status,
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'cache-control': 'no-store',
    },
  });
}

/** A file to keep, under a name. */
export function file(text: string, type: string, name: string): Response {
  return new Response(text, {
    headers: {
      'content-type': `${type}; charset=utf-8`,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
}

export function problemResponse(problem: Problem): Response {
  return new Response(JSON.stringify(problem), {
    status: problem.status,
    headers: {
      'content-type': 'application/problem+json; charset=utf-8',
      'cache-control': 'no-store',
      ...(problem.status === 503 ? { 'retry-after': '5' } : {}),
    },
  });
}

/** Whether an error means that the database is away. */
export function databaseIsAway(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  const code = (error as { original?: { code?: string } }).original?.code ?? (error as { code?: string }).code ?? '';
  // Class 57: the server is stopping or has ended this session. PostgreSQL errors appendix A.
  if (code.startsWith('57P') || code === 'ECONNREFUSED' || code === 'ECONNRESET') return true;
  return error instanceof DatabaseError && /terminat|not queryable|Connection/i.test(error.message);
}

/** What to answer for an error; what is not foreseen is logged and told without its inside. */
export function problemOf(error: unknown, path: string): Problem {
  if (error instanceof ProblemError) return error.problem;
  if ((error as { original?: { constraint?: string } }).original?.constraint === 'an_owner_remains')
    return { type: 'about:blank', title: WORDS.lastOwnerTitle, status: 409, detail: WORDS.lastOwner };
  if (databaseIsAway(error)) {
    log.warn({ path, err: (error as Error).message }, 'database away');
    return {
      type: 'about:blank',
      title: WORDS.theDatabaseIsAway,
      status: 503,
      detail: WORDS.nothingWasLostAndNothing,
    };
  }
  log.error({ path, err: error instanceof BaseError ? error.message : error }, 'unforeseen');
  return {
    type: 'about:blank',
    title: WORDS.somethingBroke,
    status: 500,
    detail: WORDS.itIsInTheLog,
  };
}

/** The body of a call, parsed and checked. */
export async function body<T extends z.ZodType>(
  context: APIContext,
  schema: T,
  most_bytes = BODY_BYTES,
): Promise<z.output<T>> {
  const text = await bodyText(context.request, most_bytes);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new ProblemError(400, WORDS.notJson, WORDS.theBodyMustBeJson);
  }
  refuseBadText(value);
  return check(schema, value);
}

/** Refuses texts that cannot be kept: with the character of number 0, or half of a character. */
function refuseBadText(value: unknown, path: readonly (string | number)[] = []): void {
  if (typeof value === 'string') {
    if (value.includes('\u0000') || !value.isWellFormed())
      throw fieldProblem(path.join('.'), WORDS.holdsACharacterThatIs(path.join('.')));
  } else if (Array.isArray(value)) value.forEach((item, i) => refuseBadText(item, [...path, i]));
  else if (value !== null && typeof value === 'object')
    for (const [key, item] of Object.entries(value)) {
      refuseBadText(key, [...path, 'name']);
      refuseBadText(item, [...path, key]);
    }
}

/** A value checked by a schema, or a 422 with a path per field. */
export function check<T extends z.ZodType>(schema: T, value: unknown): z.output<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const errors: FieldError[] = result.error.issues.map((issue) => ({
    path: issue.path.join('.'),
    message: issue.message,
  }));
  throw new ProblemError(
    422,
    WORDS.pleaseLookAgain,
    errors
      .map((e) => e.message)
      .join('; ')
      .slice(0, 600),
    { errors },
  );
}

/** The number in the address, or a 404. */
export function idParam(context: APIContext, name = 'id'): number {
  const text = context.params[name] ?? '';
  if (!/^[1-9]\d{0,8}$/.test(text)) throw new ProblemError(404, WORDS.noSuchThing, WORDS.isNotANumberOf(text));
  return Number(text);
}

async function bodyText(request: Request, most_bytes: number): Promise<string> {
  const type = request.headers.get('content-type') ?? '';
  if (!type.startsWith('application/json')) {
    throw new ProblemError(415, WORDS.sendJson, WORDS.theContentTypeMustBe);
  }
  const tooLarge = new ProblemError(413, WORDS.tooLarge, WORDS.atMostKb(Math.floor(most_bytes / 1024)));
  if (Number(request.headers.get('content-length') ?? 0) > most_bytes) throw tooLarge;
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most_bytes) {
      await reader.cancel();
      throw tooLarge;
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks).toString('utf8');
}
