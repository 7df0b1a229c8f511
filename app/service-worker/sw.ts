/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'

declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: { url: string; revision: string | null }[]
}

/*
 * The check-in outlives the server: its page opens from here when there is no answer. The page is the same for every
 * check-in, since it is rendered in the browser, so one copy serves all, and so it is with a client's own page. What was
 * typed is in IndexedDB, not here.
 */
const SHELLS = { '/check-in/': '/check-in/shell', '/my': '/my' } as const
const CACHE = 'oak-pinch-shell'
const PATIENCE_MS = 4000

cleanupOutdatedCaches()
precacheAndRoute(self.__WB_MANIFEST)

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) =>
        cache.addAll(Object.values(SHELLS).map((url) => new Request(url, { cache: 'reload' }))),
      )
      .then(() => self.skipWaiting()),
  )
})

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

async function fromServer(request: Request): Promise<Response> {
  const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) })
  if (response.status >= 500) throw new Error(`The server answered ${response.status}.`)
  return response
}

async function shell(url: string): Promise<Response> {
  const kept = await caches.match(url, { cacheName: CACHE })
  return kept ?? Response.error()
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const path = new URL(request.url).pathname
  const known = Object.entries(SHELLS).find(([start]) =>
    start.endsWith('/') ? path.startsWith(start) : path === start,
  )
  if (request.mode !== 'navigate' || !known) return
  event.respondWith(fromServer(request).catch(() => shell(known[1])))
})
