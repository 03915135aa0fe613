import { useCallback, useEffect, useRef, useState } from 'react'
import type { ReadingBody } from '../../contract/bodies'
import type { Reading } from '../../core/record/recordSchema'
import { hear } from '../hear'
import { type Answer, PATIENCE_MS, postJson } from '../httpClient'
import {
  forgetSent,
  markSent,
  type OutboxItem,
  onOutboxChanged,
  putInOutbox,
  takeFromOutbox,
  waitingInOutbox,
  waitsForItsCharacteristic,
} from '../outbox'
import { broughtUp, type Delivery, type LocalReading, withStored } from './localReadings'

/** Whether the server takes readings now: reached; not reached; reached, but this person's session has ended. */
export type Link = 'reached' | 'offline' | 'signedOut'

export interface Outbox {
  /** Readings that the page did not come with, oldest first: accepted on this device, in this tab or another, or elsewhere. */
  readonly local: readonly LocalReading[]
  readonly link: Link
  /** What waits on this device has been looked up; before that a place may seem open that is not. */
  readonly loaded: boolean
  /** Whether this browser keeps what is accepted; one that does not (a private window, a full disk) needs the network. */
  readonly keeps: boolean
  accept(reading: Reading, body: ReadingBody): void
  /** Tries once more with a reading that could neither be kept nor sent. */
  again(reading: Reading, body: ReadingBody): void
  /** Gives up a reading that the server refused. */
  drop(id: string): void
  sendNow(): void
}

const RETRY_MS = 4_000

/** Status of a reading that no server has answered to. */
export const UNSENT = 0
const NOT_REACHED = 'the server cannot be reached, and this browser keeps nothing on this device.'

const readingsPath = (jobId: string): string => `/api/jobs/${encodeURIComponent(jobId)}/readings`

/** An ended session refuses the person, not the reading: it stays queued, and so do those behind a rate limit. */
function linkAfter(answer: Answer<unknown>): Link {
  if (answer.kind === 'offline') return 'offline'
  if (answer.kind === 'ok') return 'reached'
  if (answer.status === 401) return 'signedOut'
  return answer.status === 429 ? 'offline' : 'reached'
}

/**
 * Accepted readings: kept in the browser's store first, then sent in order; a broken network only delays them. What others
 * have stored since the page was made arrives by itself; null: nothing will.
 */
export function useOutbox(personId: string, jobId: string, madeAt: string | null): Outbox {
  const [local, setLocal] = useState<readonly LocalReading[]>([])
  const [link, setLink] = useState<Link>('reached')
  const [loaded, setLoaded] = useState(false)
  const [keeps, setKeeps] = useState(true)
  const sending = useRef(false)
  const seen = useRef<ReadonlySet<string>>(new Set())
  /** Given up here, whether or not it has left the store yet. */
  const dropped = useRef(new Set<string>())

  /** What is kept on this device now, shown as well. */
  const look = useCallback(async (): Promise<readonly OutboxItem[]> => {
    const kept = await waitingInOutbox(personId, jobId).catch(() => null)
    if (kept === null) {
      setKeeps(false)
      return []
    }
    const items = kept.filter(({ id }) => !dropped.current.has(id))
    const before = seen.current
    seen.current = new Set([...before, ...items.map(({ id }) => id)])
    setLocal((shown) => broughtUp(shown, items, before))
    return items
  }, [personId, jobId])

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
        const next = (await look()).find((item) => item.sent === undefined && !refused.has(item.id))
        if (!next || (await waitsForItsCharacteristic(next))) break
        const answer = await postJson(readingsPath(jobId), next.body, PATIENCE_MS)
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
  }, [jobId, look, mark])

  useEffect(() => {
    void look().then((items) => {
      setLoaded(true)
      void forgetSent(items).catch(() => undefined)
      void send()
    })
    const retry = setInterval(() => void send(), RETRY_MS)
    const online = (): void => void send()
    addEventListener('online', online)
    const stopListening = onOutboxChanged(() => void look())
    return () => {
      clearInterval(retry)
      removeEventListener('online', online)
      stopListening()
    }
  }, [look, send])

  // What waits on this device is looked up first: a reading of its own that comes back is one it knows.
  useEffect(() => {
    if (!loaded || madeAt === null) return
    return hear(
      { path: `${readingsPath(jobId)}/events`, parameter: 'since', after: madeAt },
      { readings: (stored) => setLocal((before) => withStored(before, stored as Reading[])) },
    )
  }, [jobId, madeAt, loaded])

  /** What cannot be kept goes to the server at once, or is not accepted. */
  const sendUnkept = useCallback(
    async (id: string, body: ReadingBody) => {
      setKeeps(false)
      const answer = await postJson(readingsPath(jobId), body, PATIENCE_MS)
      setLink(linkAfter(answer))
      if (answer.kind === 'ok') mark(id, { kind: 'stored' })
      else if (answer.kind === 'offline') mark(id, { kind: 'refused', status: UNSENT, message: NOT_REACHED })
      // What refuses the person, not the reading, passes: signed in again, or a little later, the same can be sent.
      else {
        const status = linkAfter(answer) === 'reached' ? answer.status : UNSENT
        mark(id, { kind: 'refused', status, message: answer.message })
      }
    },
    [jobId, mark],
  )
  const again = useCallback(
    ({ id }: Reading, body: ReadingBody) => {
      mark(id, { kind: 'queued' })
      void sendUnkept(id, body)
    },
    [mark, sendUnkept],
  )

  const accept = useCallback(
    (reading: Reading, body: ReadingBody) => {
      setLocal((before) => [...before, { reading, delivery: { kind: 'queued' } }])
      const { id } = reading
      putInOutbox({ id, personId, jobId, body, reading }).then(
        () => {
          setKeeps(true)
          void send()
        },
        () => void sendUnkept(id, body),
      )
    },
    [personId, jobId, send, sendUnkept],
  )

  const drop = useCallback((id: string) => {
    dropped.current.add(id)
    setLocal((before) => before.filter((item) => item.reading.id !== id))
    takeFromOutbox(id).catch(() => undefined)
  }, [])

  return { local, link, loaded, keeps, accept, again, drop, sendNow: () => void send() }
}
