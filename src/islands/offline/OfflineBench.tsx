import { useEffect, useState } from 'react'
import { say } from '../../labels/offline'
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
      return <p className={styles.note}>{say.lookingJobDevice}</p>
    case 'nobody':
      return (
        <p className={styles.note}>
          {say.noServerCan} <ButtonLink href="">{say.tryAgain}</ButtonLink>
        </p>
      )
    case 'neverSeen':
      return (
        <p className={styles.note}>
          {say.noServerCanReached} <ButtonLink href="">{say.tryAgain}</ButtonLink>
        </p>
      )
    case 'found': {
      const { view, today, at } = found.kept
      return (
        <>
          <p className={styles.banner} role="status">
            <b>{say.withoutNetwork}</b> {say.asDeviceSaw(view.record.machine.name, view.title, at.slice(0, 10), at.slice(11, 16))}
            <ButtonLink href="">{say.tryServer}</ButtonLink>
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
