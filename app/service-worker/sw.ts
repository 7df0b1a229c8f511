/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'

declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: { url: string; revision: string | null }[]
}

/*
 * The check-in outlives the server: its page opens from here when there is no answer. The page is the same for every
 * check-in, since it is rendered in the browser, so one copy serves all. Readings are in IndexedDB, not here.
 */
const SHELL = '/check-in/shell'
const CACHE = 'oak-pinch-shell'
const PATIENCE_MS = 4000

cleanupOutdatedCaches()
precacheAndRoute(self.__WB_MANIFEST)

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.add(new Request(SHELL, { cache: 'reload' })))
      .then(() => self.skipWaiting()),
  )
})

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

async function fromServer(request: Request): Promise<Response> {
  const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) })
  if (response.status >= 500) throw new Error(`The server answered ${response.status}.`)
  return response
}

async function shell(): Promise<Response> {
  const kept = await caches.match(SHELL, { cacheName: CACHE })
  return kept ?? Response.error()
}

self.addEventListener('fetch', (event) => {
  const { request } = event
  const path = new URL(request.url).pathname
  if (request.mode !== 'navigate' || !path.startsWith('/check-in/')) return
  event.respondWith(fromServer(request).catch(shell))
})
