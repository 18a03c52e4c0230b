/// <reference lib="webworker" />
/**
 * Tenant runs with the network unplugged: the machine on the bench often is. Everything that the application can ever
 * load is kept before this worker calls itself installed. One version serves all windows until the technician takes
 * over the next; the one before it is kept for windows that still run it.
 */
import { version } from '$service-worker';

declare const self: ServiceWorkerGlobalScope;

const CACHE = `tenant-${version}`;
const SHELL = '/';
const FILES = '/files.json';
/** This version and the one before, whatever windows say: one of an earlier release says nothing. */
const LEAST_CACHES = 2;
/** A window holds such a lock as long as it runs. */
const RUNS = 'tenant-runs-';

self.addEventListener('install', (event) => event.waitUntil(keepEverything()));

async function keepEverything(): Promise<void> {
  const answer = await fetch(FILES, { cache: 'no-store' });
  const list = (await answer.json()) as { version: string; files: string[] };
  // The server has moved on while this worker was fetched: the next one will be installed instead.
  if (list.version !== version) throw new Error(`Files of ${list.version}, worker of ${version}`);
  const cache = await caches.open(CACHE);
  await cache.addAll([SHELL, ...list.files].map((file) => new Request(file, { cache: 'reload' })));
}

self.addEventListener('activate', (event) =>
  event.waitUntil(dropOldest().then(() => self.clients.claim())),
);

/** The oldest come first; a version that is taken over again is not the oldest, and one that a window runs is kept for it. */
async function dropOldest(): Promise<void> {
  const { held = [] } = await self.navigator.locks.query();
  const running = new Set(held.map(({ name = '' }) => name));
  const ours = (await caches.keys()).filter((key) => key.startsWith('tenant-') && key !== CACHE);
  const old = ours.slice(0, Math.max(0, ours.length + 1 - LEAST_CACHES));
  const unused = old.filter((key) => !running.has(key.replace(/^tenant-/, RUNS)));
  await Promise.all(unused.map((key) => caches.delete(key)));
}

self.addEventListener('message', (event) => {
  // On the technician's word.
  if (event.data === 'takeOver') void self.skipWaiting();
  // A window that was loaded past this worker wants it all the same.
  if (event.data === 'claim') event.waitUntil(self.clients.claim());
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  // What the stand-ins answer is kept by the application itself, with the jobs.
  if (url.pathname.startsWith('/api/')) return;
  event.respondWith(kept(request.mode === 'navigate' ? SHELL : request));
});

/** As it is kept: by this version, or by the one before for windows that still run it. Else from the network. */
async function kept(wanted: Request | string): Promise<Response> {
  const own = await caches.open(CACHE);
  const found = (await own.match(wanted)) ?? (await caches.match(wanted));
  return found ?? fetch(wanted);
}
