import { useEffect } from 'react'
import type { JobView } from '../../contract/answers'
import type { LocalReading } from '../bench/useOutbox'
import { keepView, type Person, rememberPerson } from './keptView'

/** Keeps the job on this device as the server has it, readings stored since included, and readies the page for no network. */
export function useKept(view: JobView, person: Person, today: string, local: readonly LocalReading[], offline: boolean): void {
  useEffect(() => {
    if (offline) return
    rememberPerson(person)
    // A browser that cannot (a plain http address other than loopback) still has the outbox.
    void navigator.serviceWorker?.register('/sw.js').catch(() => undefined)
  }, [person, offline])
  const stored = local.filter(({ delivery }) => delivery.kind === 'stored')
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is stored only ever grows
  useEffect(() => {
    const known = new Set(view.record.job.readings.map(({ id }) => id))
    const added = stored.filter(({ reading }) => !known.has(reading.id)).map(({ reading }) => reading)
    if (offline && added.length === 0) return
    const job = { ...view.record.job, readings: [...view.record.job.readings, ...added] }
    void keepView(person.id, { view: { ...view, record: { ...view.record, job } }, today, at: new Date().toISOString() }).catch(
      () => undefined,
    )
  }, [view, person.id, today, stored.length, offline])
}
