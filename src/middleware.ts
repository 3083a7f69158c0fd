import { defineMiddleware } from 'astro:middleware';
import { ProblemError } from './contracts/problem.ts';
import { databaseIsAway, problemOf, problemResponse } from './server/edge.ts';
import { movedTo } from './server/movedAddresses.ts';
import { methodsOf } from './server/knownCalls.ts';
import { log } from './server/log.ts';
import { awayPage, plainPage } from './server/house/awayPage.ts';
import { readConfig } from './server/config.ts';
import { callerOf, howOld, NOBODY, refuseAnothers, saidWriter } from './server/house/caller.ts';
import { secureOf } from './server/house/device.ts';
import { PERSON_COOKIE, personIn } from './contracts/house/holder.ts';
import { leastRole, type Caller } from './contracts/house/access.ts';
import { reaches } from './core/house/roles.ts';
import { WORDS } from './words/en/house/access.ts';
import { writeAs } from './db/inTransaction.ts';
import { isoFromDay } from './core/calendar/dayNumber.ts';
import { tellHouse } from './ui/house.ts';
import { readSeason } from './server/plan/season.ts';

const UNSAFE = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** Headers on every answer. The content security policy's script and style parts are added by the build, with hashes. */
const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(self), microphone=(), geolocation=()',
};

export const onRequest = defineMiddleware(async (context, next) => {
  const started = performance.now();
  const { request, url } = context;
  const response = await answer(context, next);
  if (secureOf(context)) response.headers.set('strict-transport-security', 'max-age=31536000');
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  const ms = Math.round((performance.now() - started) * 10) / 10;
  log.info({ method: request.method, path: url.pathname, status: response.status, ms }, 'request');
  response.headers.set('server-timing', `app;dur=${ms}`);
  return response;
});

type Context = Parameters<typeof onRequest>[0];

async function answer(context: Context, next: Parameters<typeof onRequest>[1]): Promise<Response> {
  const { request, url } = context;
  const isApi = url.pathname.startsWith('/api/');
  const moved = movedTo(url.pathname);
  if (!knownHost(request)) {
    return problemResponse({
      type: 'about:blank',
      title: 'Not called by this name',
      status: 421,
      detail: 'Name this host in ALLOWED_HOSTS when you start Crook, or call it as 127.0.0.1.',
    });
  }
  if (UNSAFE.has(request.method) && !sameOrigin(request)) {
    return problemResponse({
      type: 'about:blank',
      title: 'Not from here',
      status: 403,
      detail: 'Changes are taken only from the application’s own pages.',
    });
  }
  if (moved !== null && request.method === 'GET') return context.redirect(moved + url.search, 301);
  if (isApi) {
    const wrong = wrongCall(request.method, url.pathname);
    if (wrong) return wrong;
  }
  try {
    // What anybody may ask says by itself that the database is away.
    const free = leastRole(request.method, url.pathname) === null;
    const caller = await callerOf(request).catch((error: unknown) => {
      if (free && databaseIsAway(error)) return NOBODY;
      throw error;
    });
    context.locals.caller = caller;
    const refused = refusal(caller, context, isApi);
    if (refused === 'other role') return await context.rewrite('/403');
    if (refused) return refused;
    if (howOld(request) !== null) await refuseAnothers(caller, saidWriter(request));
    if (!isApi) tellHolder(caller, context);
    return await writeAs(caller.personId, () => inRole(context, next, isApi), howOld(request));
  } catch (error) {
    if (isApi) return problemResponse(problemOf(error, url.pathname));
    if (databaseIsAway(error)) {
      problemOf(error, url.pathname);
      return awayPage();
    }
    throw error;
  }
}

const YEAR_s = 365 * 86_400;

/** A device that somebody signed in on is in their hands: what is tapped on it without a network keeps them as its author. */
function tellHolder(caller: Caller, context: Context): void {
  const { request, cookies } = context;
  if (caller.kind !== 'person' || personIn(request.headers.get('cookie') ?? '') === caller.personId) return;
  cookies.set(PERSON_COOKIE, String(caller.personId), {
    path: '/',
    maxAge: YEAR_s,
    sameSite: 'strict',
    secure: secureOf(context),
  });
}

/**
 * The one gate: what this caller may not do here. A page leads to the sign-in, or says who may; a call gets a problem.
 * null: they may
 */
function refusal(caller: Caller, context: Context, isApi: boolean): Response | 'other role' | null {
  const { request, url } = context;
  const least = leastRole(request.method, url.pathname);
  if (least === null || (caller.role !== null && reaches(caller.role, least))) return null;
  const problem =
    caller.role !== null
      ? { title: WORDS.notYours, status: 403, detail: WORDS.leastRole(WORDS.roles[least]) }
      : caller.removedId !== null
        ? { title: WORDS.removedTitle, status: 403, detail: WORDS.removed }
        : { title: WORDS.notSignedIn, status: 401, detail: WORDS.signInFirst };
  if (isApi) return problemResponse({ type: 'about:blank', ...problem });
  if (caller.role === null && request.method === 'GET')
    return context.redirect(
      `/house/sign-in${url.pathname === '/' ? '' : `?to=${encodeURIComponent(url.pathname + url.search)}`}`,
      302,
    );
  return caller.role !== null ? 'other role' : plainPage(problem);
}

async function inRole(context: Context, next: Parameters<typeof onRequest>[1], isApi: boolean): Promise<Response> {
  const { url } = context;
  try {
    if (!isApi) {
      context.locals.season = await inTime(readSeason());
      const { now, world } = context.locals.season;
      const { temperatureUnit: unit, lengthUnit, currency, firstWeekday, lastFrost, firstFrost } = world.nursery;
      tellHouse({ unit, lengthUnit, currency, today: isoFromDay(now.today), firstWeekday, lastFrost, firstFrost });
    }
    return await inTime(next());
  } catch (error) {
    if (isApi) return problemResponse(problemOf(error, url.pathname));
    if (databaseIsAway(error)) {
      problemOf(error, url.pathname);
      return awayPage();
    }
    if (error instanceof ProblemError && error.problem.status === 404) return await context.rewrite('/404');
    if (error instanceof ProblemError && error.problem.status === 503) return problemResponse(error.problem);
    throw error;
  }
}

/** A page or call that takes longer than this has gone wrong. */
const LIMIT_ms = 25_000;

/** Waits no longer than a page may take. */
async function inTime<T>(work: T | Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(new ProblemError(503, 'This takes too long', 'Nothing was lost. Try again in a moment.')),
      LIMIT_ms,
    );
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** The answer to a call there is none of, or by a method it is not called by; null: it is one. */
function wrongCall(method: string, pathname: string): Response | null {
  const methods = methodsOf(pathname);
  if (methods === null)
    return problemResponse({
      type: 'about:blank',
      title: 'No such call',
      status: 404,
      detail: 'See /api/openapi.json for what there is.',
    });
  if (methods.includes(method) || (method === 'HEAD' && methods.includes('GET'))) return null;
  const response = problemResponse({
    type: 'about:blank',
    title: 'Not called so',
    status: 405,
    detail: `This is called by ${methods.join(' or ')}.`,
  });
  response.headers.set('allow', methods.join(', '));
  return response;
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/** Whether the application is called by a name of its own: a foreign name that leads here must not read the books. */
function knownHost(request: Request): boolean {
  const { host, allowedHosts } = readConfig(process.env);
  const name = (request.headers.get('host') ?? '').replace(/:\d+$/, '').toLowerCase();
  return LOOPBACK.includes(name) || name === host || allowedHosts.includes(name);
}

/**
 * Whether an unsafe call comes from the application's own pages: the Origin's host is the host called. Calls without an
 * Origin (scripts on this machine) are taken unless the browser says they come from another site.
 */
function sameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return !['cross-site', 'same-site'].includes(request.headers.get('sec-fetch-site') ?? '');
  try {
    return new URL(origin).host === request.headers.get('host');
  } catch {
    return false;
  }
}
