import { v4 } from 'uuid';
import type { Answer } from '../device/send.ts';
import { tellReached, tellSignedOut } from './connection.ts';
import { PERSON_HEADER } from '../contracts/house/holder.ts';
import { personHere } from './who.ts';
import type { Problem } from '../contracts/problem.ts';
import { WORDS } from '../words/en/ui/call.ts';

export type { Answer } from '../device/send.ts';

/** A network that hangs is no network. */
const PATIENCE_ms = 20_000;

/**
 * Calls the application with JSON. Never throws: no network, or one that hangs, is an answer as well.
 * @param personId who did what is sent; by default whoever holds the device now
 * @param more headers beside its own
 */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  personId: number | null = personHere(),
  more: Readonly<Record<string, string>> = {},
): Promise<Answer<T>> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      signal: AbortSignal.timeout(PATIENCE_ms),
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(method === 'GET' ? {} : { [PERSON_HEADER]: String(personId ?? 'nobody') }),
        ...more,
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    tellReached(false);
    return { kind: 'offline' };
  }
  tellReached(true);
  // A wrong password is answered in the same way: that is said where it was typed.
  if (!/^\/api\/house\/access\//.test(path)) tellSignedOut(response.status === 401);
  const value = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return { kind: 'done', value: value as T };
  const problem = (value ?? {
    type: 'about:blank',
    title: WORDS.noAnswer,
    status: response.status,
    detail: WORDS.tryAgain,
  }) as Problem;
  return { kind: 'problem', problem };
}

/** What to tell a person about an answer that is not done. */
export function trouble(answer: Exclude<Answer<unknown>, { kind: 'done' }>): string {
  if (answer.kind === 'offline') return WORDS.noConnection;
  const { problem } = answer;
  return problem.errors?.map((e) => e.message).join(' ') || problem.detail;
}

/** Message for a field, from a problem. */
export function fieldError(problem: Problem | null, path: string): string | undefined {
  return problem?.errors?.find((e) => e.path === path)?.message;
}

/** A fresh key for a log line, made once per intention so that a retry never counts twice. */
export function freshKey(): string {
  // Not crypto.randomUUID: over plain HTTP under a name of the house a browser has none.
  return v4();
}
