import { keepPreviousData, MutationCache, QueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { useCallback, useRef } from 'react';
import type { Problem } from '../../contracts/problem.ts';
import { call, freshKey, trouble, type Answer } from '../call.ts';
import { tellWritten, WRITTEN } from '../fresh.ts';

/** A call that was not done: refused with what to do, or no network. */
export class NotDone extends Error {
  readonly problem: Problem | null;
  constructor(answer: Exclude<Answer<unknown>, { kind: 'done' }>) {
    super(trouble(answer));
    this.problem = answer.kind === 'problem' ? answer.problem : null;
  }
}

/** What was refused is refused again; only a lost network or a server in trouble is tried anew. */
const tryAgain = (times: number, error: Error): boolean =>
  times < 2 && error instanceof NotDone && (error.problem === null || error.problem.status >= 500);

/** Calls that send much to be looked at, and write nothing. */
const LOOKS = '/look';

const newClient = () =>
  new QueryClient({
    mutationCache: new MutationCache({
      onSuccess: (_done, _body, _context, { meta }) => {
        if (meta?.['looks'] !== true) tellWritten();
      },
    }),
    defaultOptions: {
      // The house's own network need not reach the world: the browser's word on being online does not count.
      queries: { retry: tryAgain, staleTime: 5_000, networkMode: 'always', refetchOnWindowFocus: true },
      mutations: { networkMode: 'always' },
    },
  });

/**
 * What this page knows of the application, shared by all its islands: they are separate roots, so that it is named in each call and
 * not handed down. On the server nothing is shared: each drawing goes by what it is given.
 */
const pageData = typeof window === 'undefined' ? null : newClient();
const here = (): QueryClient => pageData ?? newClient();

if (pageData) window.addEventListener(WRITTEN, () => void pageData.invalidateQueries());

const ask = async <T>(path: string): Promise<T> => doneOr(await call<T>('GET', path));

type Method = 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/**
 * Sends one thing to the application; how it ended is an answer, never thrown. What the page shows is read again when it was written.
 * For what is tapped in a list, where each line would want a write of its own; forms and single buttons use useWrite.
 */
export async function writeNow<T>(method: Method, path: string, body?: unknown): Promise<Answer<T>> {
  const client = here();
  const options = {
    mutationKey: [method, path],
    meta: { looks: path.endsWith(LOOKS) },
    mutationFn: () => call<T>(method, path, body).then(doneOr),
  };
  return client
    .getMutationCache()
    .build(client, options)
    .execute(undefined)
    .then(asDone, asAnswer<T>);
}

/** Reads an address of the application once, or takes what was just read of it; how it ended is an answer, never thrown. */
export async function readNow<T>(path: string): Promise<Answer<T>> {
  return here()
    .fetchQuery<T>({ queryKey: [path], queryFn: () => ask<T>(path) })
    .then(asDone, asAnswer<T>);
}

/** What a call answered; thrown as NotDone when it was not done. */
export const doneOr = <T>(answer: Answer<T>): T => {
  if (answer.kind === 'done') return answer.value;
  throw new NotDone(answer);
};
const asDone = <T>(value: T): Answer<T> => ({ kind: 'done', value });
const asAnswer = <T>(error: unknown): Answer<T> => {
  if (!(error instanceof NotDone)) throw error;
  return error.problem ? { kind: 'problem', problem: error.problem } : { kind: 'offline' };
};

/**
 * What an address of the application answers, read again when it is old and after each write from this page.
 * @param path null: not asked yet
 * @param initial what the page was drawn with
 */
export function useAnswer<T>(path: string | null, initial?: T) {
  return useQuery<T>(
    {
      queryKey: [path],
      queryFn: () => ask<T>(path!),
      enabled: path !== null,
      placeholderData: keepPreviousData,
      ...(initial === undefined ? {} : { initialData: initial as never }),
    },
    here(),
  );
}

/**
 * What a screen shows of the application: as the page was drawn, then as it is after each write from this page and when the page is
 * looked at again.
 */
export function useView<T>(path: string, initial: T) {
  const { data } = useAnswer<T>(path, initial);
  return {
    view: data ?? initial,
    /** Reads it again now, or waits for the reading that is on its way. */
    refresh: useCallback(async (): Promise<void> => {
      await pageData?.refetchQueries({ queryKey: [path] }, { cancelRefetch: false });
    }, [path]),
    /** Shows something else until it is read again: what was tapped without a network. */
    show: (change: (view: T) => T): void => {
      pageData?.setQueryData<T>([path], (view) => change(view ?? initial));
    },
  };
}

/**
 * What the application says to a body it only looks at.
 * @param path ends in /look
 * @param body null: not asked yet
 */
export function useLook<T>(path: string, body: object | null) {
  return useQuery<T>(
    {
      queryKey: [path, body],
      queryFn: async () => doneOr(await call<T>('POST', path, body)),
      enabled: body !== null,
      placeholderData: keepPreviousData,
    },
    here(),
  );
}

/**
 * A write: one at a time however often its button is pressed, under one key until it is done, so that a retry never counts twice.
 * @param keyed whether the body carries a key of its own
 */
export function useWrite<Body extends object, Done = unknown>(method: Method, path: string, keyed = true) {
  const key = useRef<string | null>(null);
  const busy = useRef(false);
  return useMutation<Done | undefined, NotDone, Body>(
    {
      mutationFn: async (body) => {
        if (busy.current) return undefined;
        busy.current = true;
        key.current ??= freshKey();
        const answer = await call<Done>(method, path, keyed ? { idempotencyKey: key.current, ...body } : body);
        busy.current = false;
        // What was refused is another request when it is put right; without an answer it is the same one.
        if (answer.kind !== 'offline') key.current = null;
        return doneOr(answer);
      },
      meta: { looks: path.endsWith(LOOKS) },
    },
    here(),
  );
}

/** What a failed call says of a field. */
export const wrongAt = (error: Error | null, path: string): string | undefined =>
  error instanceof NotDone ? error.problem?.errors?.find((one) => one.path === path)?.message : undefined;
