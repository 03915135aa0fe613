import { Suspense, useState } from 'react'
import type { Characteristic } from '../../../core/book/bookSchema'
import { typedLimits } from '../../../core/limit/typedLimits'
import { typedIn } from '../../../core/notes/typedBook'
import type { InspectionRecord } from '../../../core/record/recordSchema'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { later } from '../../later'
import type { BenchProps } from '../benchState'
import styles from './TypedLimits.module.css'

/** The form comes when it is asked for: most benches never need it. */
const TypeForm = later(async () => (await import('../../limits/TypeForm')).TypeForm)

export function TypeFromManual({
  view: { record },
  notes,
  onDone,
  onClose,
}: Pick<BenchProps, 'view' | 'notes'> & { onDone(id: string): void; onClose(): void }) {
  return (
    <Suspense>
      <TypeForm
        jobId={record.job.id}
        book={record.book}
        system={record.machine.units}
        typed={typedIn(record.job.entries)}
        gauges={record.gauges}
        before={null}
        measured={false}
        write={notes.write}
        onDone={onDone}
        onClose={onClose}
      />
    </Suspense>
  )
}

/** A machine that is in no book begins with the first thing typed from its manual. */
export function EmptyBench({ view, notes }: Pick<BenchProps, 'view' | 'notes'>) {
  const [typing, setTyping] = useState(false)
  return (
    <section className={styles.empty} aria-labelledby="empty">
      <h1 id="empty">{say.nothingMeasureYet}</h1>
      <p>{say.noLimitBook(view.record.machine.name)}</p>
      <p>
        <Button kind="primary" disabled={!view.may.note} onClick={() => setTyping(true)}>
          {say.typeFirstOne}
        </Button>
      </p>
      {typing && <TypeFromManual view={view} notes={notes} onDone={() => setTyping(false)} onClose={() => setTyping(false)} />}
    </section>
  )
}

/** Limits that were typed, in the job or in its draft book, say so, and whether a second person has held them against the document. */
export function TypedNote({
  characteristic,
  record: { job, machine },
}: {
  readonly characteristic: Characteristic
  readonly record: Pick<InspectionRecord, 'job' | 'machine'>
}) {
  const typed = typedLimits(characteristic)
  if (!typed) return null
  const { check } = typed
  const state = check === null ? 'unchecked' : check.agrees ? 'checked' : 'wrong'
  return (
    <p className={styles.typed} data-state={state}>
      <b>{{ unchecked: say.limitsNotChecked, checked: say.limitsChecked, wrong: say.limitsDoNot }[state]}</b>
      {say.typed(typed.by)}
      {check && `; ${check.by}${check.note === '' ? '' : `: ${check.note}`}`}.{' '}
      <a href={characteristic.typed ? `/jobs/${job.id}/limits` : `/machines/${machine.id}/limits`}>{say.typedLimits}</a>
    </p>
  )
}
