import { useEffect, useState } from 'react'
import { ButtonLink } from '../../ui/Button'
import { Bench } from '../bench/Bench'
import { type KeptView, keptView, type Person, rememberedPerson } from './keptView'
import styles from './OfflineBench.module.css'

type Found =
  | { readonly kind: 'looking' }
  | { readonly kind: 'nobody' }
  | { readonly kind: 'neverSeen' }
  | { readonly kind: 'found'; readonly kept: KeptView; readonly person: Person }

/** The bench without a server: the job as this device last saw it. What is accepted waits here and is sent later. */
export function OfflineBench() {
  const [found, setFound] = useState<Found>({ kind: 'looking' })
  useEffect(() => {
    const jobId = decodeURIComponent(/^\/jobs\/([^/]+)/.exec(location.pathname)?.[1] ?? '')
    const person = rememberedPerson()
    if (!person) return setFound({ kind: 'nobody' })
    void keptView(person.id, jobId).then((kept) => setFound(kept ? { kind: 'found', kept, person } : { kind: 'neverSeen' }))
  }, [])
  switch (found.kind) {
    case 'looking':
      return <p className={styles.note}>Looking for the job on this device …</p>
    case 'nobody':
      return (
        <p className={styles.note}>
          No server can be reached, and nobody is signed in on this device. Sign in when the network is back; what waits here is
          kept. <ButtonLink href="">Try again</ButtonLink>
        </p>
      )
    case 'neverSeen':
      return (
        <p className={styles.note}>
          No server can be reached, and this job was never opened at this bench before. Open it once with a network, then it works
          without. <ButtonLink href="">Try again</ButtonLink>
        </p>
      )
    case 'found': {
      const { view, today, at } = found.kept
      return (
        <>
          <p className={styles.banner} role="status">
            <b>Without a network.</b> {view.record.machine.name}, {view.title}, as this device saw it on {at.slice(0, 10)} at{' '}
            {at.slice(11, 16)} UTC. What you accept is kept here and sent when the server answers.{' '}
            <ButtonLink href="">Try the server</ButtonLink>
          </p>
          <Bench
            view={view}
            person={found.person}
            today={today}
            madeAt={at}
            opened={new URLSearchParams(location.search).get('c')}
            openedStage={new URLSearchParams(location.search).get('stage')}
            offline
          />
        </>
      )
    }
  }
}
