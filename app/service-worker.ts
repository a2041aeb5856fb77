/// <reference lib="webworker" />
import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import { CLAIM } from './support/claim'

declare const self: ServiceWorkerGlobalScope & {
  __WB_MANIFEST: { url: string; revision: string | null }[]
}

// The built files are kept whole; the page itself is asked of the server first and kept under one key, since every address
// is drawn from the same shell. Answers of /api are never kept here: a visit's data lives in IndexedDB.
precacheAndRoute(self.__WB_MANIFEST)
cleanupOutdatedCaches()
const SHELL = '/shell'
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: 'zen-shell',
      networkTimeoutSeconds: 3,
      plugins: [{ cacheKeyWillBeUsed: () => Promise.resolve(SHELL) }],
    }),
    { denylist: [/^\/api\//] },
  ),
)

self.addEventListener('install', (event) => {
  event.waitUntil(
    Promise.all([
      self.skipWaiting(),
      caches.open('zen-shell').then((cache) => fetch('/').then((reply) => cache.put(SHELL, reply))),
    ]),
  )
})
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
self.addEventListener('message', (event) => {
  if (event.data === CLAIM) event.waitUntil(self.clients.claim())
})
