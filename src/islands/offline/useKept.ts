import { useEffect, useRef } from 'react'
import type { JobView } from '../../contract/answers'
import type { Entry } from '../../core/notes/entrySchema'
import type { Readings } from '../bench/typing/useReadings'
import { pageTextOf } from '../pageData/pageData'
import { keepAdded, keepPage, type Person, rememberPerson } from './keptView'

export interface ToKeep {
  readonly person: Person
  readonly view: JobView
  readonly today: string
  readonly madeAt: string
  readonly readings: Readings
  /** Entries the server has, those noted since the page came included. */
  readonly noted: readonly Entry[]
  /** The job comes from this device: there is no page to keep. */
  readonly offline: boolean
}

/** Keeps the job on this device as the server has it, what was stored since included, by whomever, and readies the page for no network. */
export function useKept({ person, view, today, madeAt, readings: { local, loaded }, noted, offline }: ToKeep): void {
  const first = useRef(view)
  const jobId = view.record.job.id
  useEffect(() => {
    if (offline) return
    rememberPerson(person)
    // A browser that cannot (a plain http address other than loopback) still has the outbox.
    void navigator.serviceWorker?.register('/sw.js').catch(() => undefined)
  }, [person, offline])

  // What waits on this device is looked up first: nothing can be typed before.
  const page = useRef<Promise<unknown> | null>(null)
  useEffect(() => {
    const text = pageTextOf()
    if (offline || !loaded || text === null) return
    page.current ??= keepPage(person.id, first.current, { text, today, at: madeAt }).catch(() => undefined)
  }, [person.id, today, madeAt, loaded, offline])

  const known = useRef<Set<string> | null>(null)
  useEffect(() => {
    const { job } = first.current.record
    known.current ??= new Set([...job.readings, ...job.entries].map(({ id }) => id))
    const ids = known.current
    const isNew = ({ id }: { readonly id: string }): boolean => !ids.has(id)
    const readings = local.flatMap(({ reading, delivery }) => (delivery.kind === 'stored' && isNew(reading) ? reading : []))
    const entries = noted.filter(isNew)
    if (readings.length + entries.length === 0) return
    for (const { id } of [...readings, ...entries]) ids.add(id)
    void Promise.resolve(page.current)
      .then(() => keepAdded(person.id, jobId, { readings, entries }))
      .catch(() => undefined)
  }, [person.id, jobId, local, noted])
}
