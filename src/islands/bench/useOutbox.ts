import { useCallback, useEffect, useRef, useState } from 'react'
import type { ReadingBody } from '../../contract/bodies'
import type { Reading } from '../../core/record/recordSchema'
import { type Answer, postJson } from '../httpClient'
import {
  forgetSent,
  markSent,
  type OutboxItem,
  putInOutbox,
  takeFromOutbox,
  waitingInOutbox,
  waitsForItsCharacteristic,
} from '../outbox'

/** queued: on this device only; stored: the server has it; refused: the server declined it, with the reason. */
export type Delivery =
  | { readonly kind: 'queued' }
  | { readonly kind: 'stored' }
  | { readonly kind: 'refused'; readonly status: number; readonly message: string }

export interface LocalReading {
  readonly reading: Reading
  readonly delivery: Delivery
}

/** Whether the server takes readings now: reached; not reached; reached, but this person's session has ended. */
export type Link = 'reached' | 'offline' | 'signedOut'

export interface Outbox {
  /** Readings accepted on this device that the page did not come with, oldest first. */
  readonly local: readonly LocalReading[]
  readonly link: Link
  /** What waits on this device has been looked up; before that a place may seem open that is not. */
  readonly loaded: boolean
  accept(reading: Reading, body: ReadingBody): void
  /** Gives up a reading that the server refused. */
  drop(id: string): void
  sendNow(): void
}

const RETRY_MS = 4_000

/** An ended session refuses the person, not the reading: it stays queued, and so do those behind a rate limit. */
function linkAfter(answer: Answer<unknown>): Link {
  if (answer.kind === 'offline') return 'offline'
  if (answer.kind === 'ok') return 'reached'
  if (answer.status === 401) return 'signedOut'
  return answer.status === 429 ? 'offline' : 'reached'
}

/** Accepted readings: kept in the browser's store first, then sent in order; a broken network only delays them. */
export function useOutbox(personId: string, jobId: string): Outbox {
  const [local, setLocal] = useState<readonly LocalReading[]>([])
  const [link, setLink] = useState<Link>('reached')
  const [loaded, setLoaded] = useState(false)
  const sending = useRef(false)

  const mark = useCallback((id: string, delivery: Delivery) => {
    setLocal((before) => before.map((item) => (item.reading.id === id ? { ...item, delivery } : item)))
  }, [])

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    try {
      const refused = new Set<string>()
      // Read anew after each one: more may have been accepted while it was on its way.
      for (;;) {
        const next = (await waitingInOutbox(personId, jobId)).find((item) => item.sent === undefined && !refused.has(item.id))
        if (!next || (await waitsForItsCharacteristic(next))) break
        const answer = await postJson(`/api/jobs/${encodeURIComponent(jobId)}/readings`, next.body)
        const nextLink = linkAfter(answer)
        setLink(nextLink)
        if (nextLink !== 'reached') break
        if (answer.kind === 'ok') {
          await markSent(next)
          mark(next.id, { kind: 'stored' })
        } else if (answer.kind === 'refused') {
          refused.add(next.id)
          mark(next.id, { kind: 'refused', status: answer.status, message: answer.message })
        }
      }
    } finally {
      sending.current = false
    }
  }, [personId, jobId, mark])

  useEffect(() => {
    let stale = false
    void waitingInOutbox(personId, jobId).then((items: OutboxItem[]) => {
      if (stale) return
      setLocal((before) => [
        ...items.map(
          ({ reading, sent }): LocalReading => ({ reading, delivery: { kind: sent === undefined ? 'queued' : 'stored' } }),
        ),
        ...before,
      ])
      setLoaded(true)
      void forgetSent(items)
      void send()
    })
    const retry = setInterval(() => void send(), RETRY_MS)
    const online = (): void => void send()
    addEventListener('online', online)
    return () => {
      stale = true
      clearInterval(retry)
      removeEventListener('online', online)
    }
  }, [personId, jobId, send])

  const accept = useCallback(
    (reading: Reading, body: ReadingBody) => {
      setLocal((before) => [...before, { reading, delivery: { kind: 'queued' } }])
      void putInOutbox({ id: reading.id, personId, jobId, body, reading }).then(send)
    },
    [personId, jobId, send],
  )

  const drop = useCallback((id: string) => {
    setLocal((before) => before.filter((item) => item.reading.id !== id))
    void takeFromOutbox(id)
  }, [])

  return { local, link, loaded, accept, drop, sendNow: () => void send() }
}
