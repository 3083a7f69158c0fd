import { clientsClaim } from 'workbox-core';
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import type { DevicePages } from '../contracts/house/device.ts';
import type { Problem } from '../contracts/problem.ts';
import { WORDS } from '../words/en/house/serviceWorker.ts';
import { sendWaiting, type Post } from './send.ts';

// Runs beside the pages, in the browser: what the application is made of and the pages of the coming two weeks open without a
// network, and what waits goes out when there is one. Built into dist/client/sw.js by bin/bundle.mjs.

interface Window {
  postMessage(message: object): void;
}
interface Happening extends Event {
  waitUntil(work: Promise<unknown>): void;
}
interface Worker {
  readonly __WB_MANIFEST: readonly PrecacheEntry[];
  readonly clients: { matchAll(of: { type: 'window' }): Promise<readonly Window[]> };
  skipWaiting(): Promise<void>;
  addEventListener(name: string, listener: (event: Happening & { data?: unknown; tag?: string }) => void): void;
}
declare const self: Worker;

const made = self.__WB_MANIFEST;
/** The same for the same build: pages of another name scripts that are gone. */
const BUILD = [...JSON.stringify(made)].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0, 7);
const PAGES = `crook-pages-${(BUILD >>> 0).toString(36)}`;
const LIST = '/api/house/device';
/** Where the cache of pages notes what it was read by, and when it was last known to be so. */
const NOTE = '/kept-pages';
const AT = 'x-crook-kept-at';
const VERSION = 'x-crook-version';

void self.skipWaiting();
clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute([...made], { directoryIndex: '', cleanURLs: false });

interface Note {
  readonly version: string;
  readonly checked_ms: number;
}

async function noteOf(cache: Cache): Promise<Note | null> {
  const kept = await cache.match(NOTE);
  return kept ? ((await kept.json()) as Note) : null;
}

/** Puts a page away with the time, and with the version of the nursery it was read by. */
async function putAway(cache: Cache, path: string, page: Response, version: string): Promise<void> {
  const headers = new Headers(page.headers);
  headers.set(AT, String(Date.now()));
  headers.set(VERSION, version);
  await cache.put(path, new Response(await page.blob(), { status: page.status, headers }));
}

/** Sooner than this the pages are not read again: each tap changes the nursery a little. */
const AGAIN_ms = 10 * 60_000;
/** What a new build has before it takes over: the round, and what is counted and potted from. */
const FIRST = 12;
/** A page that was only looked at is kept so long. */
const LOOKED_AT_ms = 3 * 86_400_000;
let keeping: Promise<void> | null = null;

/** Reads the pages of the coming weeks, if something was written since; what cannot be had now stays as it was. */
function keepPages(most = Infinity): Promise<void> {
  return (keeping ??= readPages(most).finally(() => (keeping = null)));
}

async function readPages(most: number): Promise<void> {
  const cache = await caches.open(PAGES);
  const note = await noteOf(cache);
  if (note && Date.now() - note.checked_ms < AGAIN_ms) return;
  const answer = await fetch(LIST).catch(() => null);
  if (!answer?.ok) return;
  const { version, pages } = (await answer.json()) as DevicePages;
  for (const path of pages.slice(0, most)) {
    const there = await cache.match(path);
    if (there?.headers.get(VERSION) === version) continue;
    const page = await fetch(path, { headers: { accept: 'text/html' } }).catch(() => null);
    if (page === null) return;
    // One that leads elsewhere (a nursery not begun yet) is not the page of this address.
    if (page.ok && !page.redirected) await putAway(cache, path, page, version);
  }
  if (pages.length > most) return;
  await cache.put(NOTE, Response.json({ version, checked_ms: Date.now() } satisfies Note));
  for (const request of await cache.keys()) {
    const { pathname, search } = new URL(request.url);
    if (pathname === NOTE || pages.includes(pathname + search)) continue;
    const at_ms = Number((await cache.match(request))?.headers.get(AT) ?? 0);
    if (Date.now() - at_ms > LOOKED_AT_ms) await cache.delete(request);
  }
}

/** Pages that take what is asked behind their address up themselves; of all others it would be the page of something else. */
const WHATEVER_IS_ASKED = /^\/(?:germination\/count\/.*|house\/(?:photos|scan))?$/;

/** A page as this device keeps it, saying since when; null: it does not. */
async function keptPage(url: URL): Promise<Response | null> {
  const cache = await caches.open(PAGES);
  const page =
    (await cache.match(url.pathname + url.search)) ??
    (WHATEVER_IS_ASKED.test(url.pathname) ? await cache.match(url.pathname) : undefined);
  if (!page) return null;
  const note = await noteOf(cache);
  const known_ms = note && note.version === page.headers.get(VERSION) ? note.checked_ms : 0;
  const drawn_ms = Number(page.headers.get(AT));
  const at_ms = Math.max(known_ms, drawn_ms);
  const text = (await page.text()).replace('<html', `<html data-kept-at="${at_ms}" data-drawn-at="${drawn_ms}"`);
  return new Response(text, { headers: page.headers });
}

/** What is shown of a page that is not on this device: which are. */
async function notKept(): Promise<Response> {
  const cache = await caches.open(PAGES);
  const rows: string[] = [];
  for (const request of await cache.keys()) {
    const { pathname, search } = new URL(request.url);
    const title = /<title>([^<]*)<\/title>/.exec((await (await cache.match(request))?.text()) ?? '')?.[1];
    if (title) rows.push(`<li class="py-1"><a href="${pathname}${search}">${title}</a></li>`);
  }
  // In the look of the other pages, where one of them is here.
  const looks = ((await (await cache.match('/'))?.text()) ?? '').match(/<link rel="stylesheet"[^>]*>/g) ?? [];
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${WORDS.title}</title>${looks.join('')}</head><body><main class="page"><h1>${WORDS.title}</h1><p>${WORDS.what}</p>
<ul class="mt-3">${rows.join('')}</ul></main></body></html>`;
  return new Response(html, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
}

/** Longer than this nobody waits for a page that is on the device. */
const PATIENCE_ms = 4_000;
const AWAY = [502, 503, 504];

async function open(request: Request): Promise<Response> {
  const url = new URL(request.url);
  const live = fetch(request).catch(() => null);
  const first = await Promise.race([live, new Promise<null>((late) => setTimeout(late, PATIENCE_ms, null))]);
  if (first && !AWAY.includes(first.status)) {
    if (first.ok && !first.redirected) {
      const copy = first.clone();
      void caches.open(PAGES).then((cache) => putAway(cache, url.pathname + url.search, copy, ''));
    }
    return first;
  }
  const kept = await keptPage(url);
  return kept ?? first ?? (await live) ?? (await countOf(url)) ?? (await notKept());
}

/** A label that is read without a network opens the count of its tray, where this device has it; null: it has not. */
async function countOf({ pathname, origin }: URL): Promise<Response | null> {
  const label = /^\/t\/([2-9A-HJ-NP-Z]{3,4})(?:-([1-9]\d{0,3}))?$/i.exec(pathname);
  if (!label) return null;
  const count = `/germination/count/${label[1]!.toUpperCase()}`;
  if (!(await (await caches.open(PAGES)).match(count))) return null;
  return Response.redirect(`${origin}${count}${label[2] ? `?tray=${label[2]}` : ''}`, 302);
}

registerRoute(
  ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
  ({ request }) => open(request),
);

// A new build begins with what is worked from; its old pages go when it takes over.
self.addEventListener('install', (event) => event.waitUntil(keepPages(FIRST)));
self.addEventListener('activate', (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names.filter((name) => name.startsWith('crook-pages-') && name !== PAGES).map((name) => caches.delete(name)),
        ),
      ),
  ),
);
self.addEventListener('message', (event) => {
  const { kind } = (event.data ?? {}) as { kind?: string };
  if (kind === 'keep-pages') event.waitUntil(keepPages());
});

const LONGEST_ms = 30_000;
const post: Post = async (path, body, headers) => {
  try {
    const answer = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
      // A network that hangs must not hold up the pages, which send one at a time with this.
      signal: AbortSignal.timeout(LONGEST_ms),
    });
    const value: unknown = await answer.json();
    return answer.ok ? { kind: 'done', value } : { kind: 'problem', problem: value as Problem };
  } catch {
    return { kind: 'offline' };
  }
};

// Where the browser can: what waits goes out when there is a network again, with no page open.
self.addEventListener('sync', (event) => {
  if (event.tag !== 'crook-waiting') return;
  event.waitUntil(
    self.clients.matchAll({ type: 'window' }).then(async (open) => {
      // An open page shows what comes of it.
      if (open.length > 0) return open.forEach((page) => page.postMessage({ kind: 'send-waiting' }));
      // Failing is how the browser is told to try again.
      if ((await sendWaiting(post)).waits) throw new Error('there is no network yet');
    }),
  );
});
