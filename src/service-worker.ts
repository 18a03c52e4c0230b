/// <reference lib="webworker" />
/**
 * Tenant runs with the network unplugged: the machine on the bench often is. Build files come from the
 * cache, pages and the stand-ins from the network first, and from the cache when it is away.
 */
import { build, files, version } from '$service-worker';

declare const self: ServiceWorkerGlobalScope;

const CACHE = `tenant-${version}`;
const SHELL = '/';
const FIXED = [...build, ...files];

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll([SHELL, ...FIXED]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((keys) =>
        Promise.all(keys.filter((key) => key !== CACHE).map((key) => caches.delete(key))),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (FIXED.includes(url.pathname)) event.respondWith(cacheFirst(request));
  // What the stand-ins answer is kept by the application itself, with the jobs.
  else if (request.mode === 'navigate') event.respondWith(networkFirst(request));
});

async function cacheFirst(request: Request): Promise<Response> {
  return (await caches.match(request)) ?? fetch(request);
}

/** Every address has the same page, so the kept one serves them all. */
async function networkFirst(request: Request): Promise<Response> {
  try {
    return await fetch(request);
  } catch {
    return (await caches.match(SHELL)) ?? Response.error();
  }
}
