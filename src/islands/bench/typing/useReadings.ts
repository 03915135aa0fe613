import { useCallback, useEffect, useMemo, useState } from 'react'
import type { ReadingBody } from '../../../contract/bodies'
import type { Reading } from '../../../core/record/recordSchema'
import { hear } from '../../../sync/hear'
import type { Link } from '../../../sync/outbox'
import { useOutbox } from '../../useOutbox'
import { heardWith, type LocalReading, localReadings, withHeard } from './localReadings'

export interface Readings {
  /** Readings that the page did not come with, oldest first: accepted on this device, in this tab or another, or elsewhere. */
  readonly local: readonly LocalReading[]
  readonly link: Link
  /** What waits on this device has been looked up; before that a place may seem open that is not. */
  readonly loaded: boolean
  /** Whether this browser keeps what is accepted; one that does not (a private window, a full disk) needs the network. */
  readonly keeps: boolean
  accept(reading: Reading, body: ReadingBody): void
  /** Sends a refused reading once more. */
  again(id: string): void
  /** Gives up a reading that the server refused. */
  drop(id: string): void
  sendNow(): void
}

/**
 * Readings of a job since the page was made: those of this device, through its outbox, and those that others have stored
 * meanwhile, which arrive by themselves. Made at null: nothing will arrive.
 */
export function useReadings(personId: string, jobId: string, madeAt: string | null): Readings {
  const { outbox, own, link, loaded, keeps } = useOutbox(personId, jobId, 'reading')
  const [heard, setHeard] = useState<readonly Reading[]>([])
  const mine = useMemo(() => localReadings(own), [own])
  const local = useMemo(() => withHeard(mine, heard), [mine, heard])

  // What waits on this device is looked up first: a reading of its own that comes back is one it knows.
  useEffect(() => {
    if (!loaded || madeAt === null) return
    return hear(
      { path: `/api/jobs/${encodeURIComponent(jobId)}/readings/events`, parameter: 'since', after: madeAt },
      { readings: (stored) => setHeard((before) => heardWith(before, stored as Reading[])) },
    )
  }, [jobId, madeAt, loaded])

  const accept = useCallback(
    (reading: Reading, body: ReadingBody) =>
      outbox.accept({ kind: 'reading', id: reading.id, personId, jobId, fate: { kind: 'waiting' }, body, reading }),
    [outbox, personId, jobId],
  )
  const again = useCallback(
    (id: string) => {
      const item = own.find((one) => one.id === id)
      if (item) outbox.sendAgain(item)
    },
    [outbox, own],
  )
  return { local, link, loaded, keeps, accept, again, drop: outbox.drop, sendNow: outbox.sendNow }
}
