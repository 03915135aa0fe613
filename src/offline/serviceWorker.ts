/// <reference lib="webworker" />
/**
 * Lets the bench be opened without a network: its scripts and its shell are kept ahead, and when a bench page cannot be
 * fetched the shell stands in, which shows the job as this device last saw it. Nothing else is answered from here.
 */
import { matchPrecache, precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'

declare const self: ServiceWorkerGlobalScope
/** Files to keep, put in by the build. */
declare const FILES_TO_KEEP: { url: string; revision: string | null }[]

const SHELL = '/offline/bench/index.html'
const BENCH = /^\/jobs\/[^/]+\/bench\/?$/
/** A network that does not answer is as good as none; the person at the bench does not wait longer. */
const PATIENCE_MS = 6_000

precacheAndRoute(FILES_TO_KEEP)

registerRoute(
  ({ request, url }) => request.mode === 'navigate' && BENCH.test(url.pathname),
  async ({ request }) => {
    const shell = async (): Promise<Response> => (await matchPrecache(SHELL)) ?? Response.error()
    try {
      const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) })
      return answer.status >= 500 ? shell() : answer
    } catch {
      return shell()
    }
  },
)

self.addEventListener('install', () => void self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))
