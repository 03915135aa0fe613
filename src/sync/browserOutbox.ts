import { nowMs } from '../clock/clock'
import { PATIENCE_MS, postJson } from './http'
import { type Outbox, type OutboxWorld, openOutbox } from './outbox'
import { browserStore } from './store'

let channel: BroadcastChannel | undefined
/** Other tabs show what is kept here too: they are told when it changes. */
function news(): BroadcastChannel {
  channel ??= new BroadcastChannel('medida-outbox')
  return channel
}

const browser: OutboxWorld = {
  store: browserStore,
  post: (path, body) => postJson(path, body, PATIENCE_MS),
  nowMs,
  again: (everyMs, call) => {
    const timer = setInterval(call, everyMs)
    addEventListener('online', call)
    return () => {
      clearInterval(timer)
      removeEventListener('online', call)
    }
  },
  tell: () => news().postMessage('changed'),
  heard: (call) => {
    news().addEventListener('message', call)
    return () => news().removeEventListener('message', call)
  },
}

const outboxes = new Map<string, Outbox>()

/** The outbox of a person on this device: one for the page, however many views stand on it. */
export function outboxOf(personId: string): Outbox {
  const outbox = outboxes.get(personId) ?? openOutbox(personId, browser)
  outboxes.set(personId, outbox)
  return outbox
}
