/// <reference types="@sveltejs/kit" />
/// <reference lib="esnext" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';
import {
  awayPage,
  isTooOld,
  isWhole,
  KEPT_AT,
  KEPT_TITLE,
  keptAs,
  PAGES,
  tooMany
} from './lib/ui/offline/kept';

/**
 * Opens the pages of this device without the network. Pages come from the server wherever it answers, and are kept;
 * the built files have names that change with their contents, and come from here. What is sent never passes through:
 * entries wait in the outbox of the page.
 */
const worker = self as unknown as ServiceWorkerGlobalScope;
const APP = `pyrethos-app-${version}`;
const BUILT = new Set([...build, ...files]);

worker.addEventListener('install', (event) => event.waitUntil(fetchApp()));
worker.addEventListener('activate', (event) => event.waitUntil(takeOver()));

/** One after the other: whoever just opened the product has a use for the line. */
async function fetchApp(): Promise<void> {
  const cache = await caches.open(APP);
  for (const file of BUILT) await cache.add(file);
}

/** Pages that were kept name the files of the version they came from: they are fetched anew before those go. */
async function takeOver(): Promise<void> {
  const pages = await caches.open(PAGES);
  for (const { url } of await pages.keys()) {
    const answer = await fetch(url).catch(() => null);
    // Sent to the door: nobody is signed in any more.
    if (answer?.redirected && new URL(answer.url).pathname === '/sign-in') await caches.delete(PAGES);
    else if (answer?.ok && !answer.redirected) await keep(new URL(url).pathname, answer);
  }
  const old = (await caches.keys()).filter((name) => name.startsWith('pyrethos-app-') && name !== APP);
  await Promise.all(old.map((name) => caches.delete(name)));
  await worker.clients.claim();
}

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== location.origin) return;
  if (request.method !== 'GET') {
    // Whoever signs out or locks the screen leaves nothing behind.
    if (url.pathname === '/api/access/sign-out') event.waitUntil(caches.delete(PAGES));
    return;
  }
  if (BUILT.has(url.pathname) || url.pathname.startsWith('/_app/immutable/'))
    event.respondWith(builtFile(request));
  else if (request.mode === 'navigate' && !url.pathname.startsWith('/api/'))
    event.respondWith(page(event, url));
});

async function builtFile(request: Request): Promise<Response> {
  const cache = await caches.open(APP);
  const had = await cache.match(request);
  if (had) return had;
  const answer = await fetch(request);
  // Of a version that came after this worker.
  if (answer.ok && new URL(request.url).pathname.startsWith('/_app/immutable/'))
    await cache.put(request, answer.clone());
  return answer;
}

/** A proxy without a server, or a server without its database. */
const AWAY = new Set([502, 503, 504]);

async function page(event: FetchEvent, url: URL): Promise<Response> {
  const path = keptAs(url);
  const answer = await fetch(event.request).catch(() => null);
  if (answer && !AWAY.has(answer.status)) {
    // The day sends nobody elsewhere but to the door.
    if (path === '/' && answer.type === 'opaqueredirect') event.waitUntil(caches.delete(PAGES));
    if (path && answer.ok && isWhole(url)) event.waitUntil(keep(path, answer.clone()));
    return answer;
  }
  const kept = path ? await keptPage(path) : undefined;
  return kept ?? answer ?? away();
}

async function keptPage(path: string): Promise<Response | undefined> {
  const pages = await caches.open(PAGES);
  const kept = await pages.match(path);
  if (!kept || !isTooOld(kept.headers.get(KEPT_AT), new Date().toISOString())) return kept;
  await pages.delete(path);
  return undefined;
}

async function keep(path: string, answer: Response): Promise<void> {
  const html = await answer.text();
  const headers = new Headers(answer.headers);
  const now = new Date().toISOString();
  headers.delete('content-encoding');
  headers.delete('content-length');
  headers.set(KEPT_AT, now);
  headers.set(KEPT_TITLE, encodeURIComponent(/<title>([^<]*)<\/title>/.exec(html)?.[1] ?? path));
  // The page reads here that it is a kept one, and of when.
  headers.set('Server-Timing', `kept;desc="${now}"`);
  const pages = await caches.open(PAGES);
  await pages.put(path, new Response(html, { headers }));
  const all = await keptPages(pages);
  await Promise.all(tooMany(all, now).map((old) => pages.delete(old)));
}

async function keptPages(pages: Cache) {
  return Promise.all(
    (await pages.keys()).map(async (request) => {
      const headers = (await pages.match(request))!.headers;
      return {
        path: new URL(request.url).pathname,
        at: headers.get(KEPT_AT) ?? '',
        title: decodeURIComponent(headers.get(KEPT_TITLE) ?? '')
      };
    })
  );
}

async function away(): Promise<Response> {
  const all = (await keptPages(await caches.open(PAGES))).toSorted((a, b) => b.at.localeCompare(a.at));
  return new Response(awayPage(all), {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'"
    }
  });
}
