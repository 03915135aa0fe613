import { useState } from 'react'
import { v7 } from 'uuid'
import type { HandTest } from '../../core/book/procedureSchema'
import { type Severity, severities } from '../../core/condition/findingKinds'
import { findingWords, severityName } from '../../core/words/findings'
import { say } from '../../labels/look'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, TextField } from '../../ui/Field'
import { useNoteForm } from '../notes/useNoteForm'
import type { JobNotes } from '../notes/useNotes'
import styles from './Look.module.css'

/** Feel, rock, slack and oil: sound with one press, or a finding with its own quick form. */
export function HandTests({ noted, part }: { readonly noted: JobNotes; readonly part: string }) {
  const tests = noted.record.book.handTests.filter((test) => test.part === part)
  if (tests.length === 0) return null
  return (
    <section className={styles.hand} aria-labelledby="hand-tests">
      <h2 id="hand-tests">{say.hand}</h2>
      {tests.map((test) => (
        <HandTestRow key={test.id} noted={noted} test={test} />
      ))}
    </section>
  )
}

function HandTestRow({ noted, test }: { readonly noted: JobNotes; readonly test: HandTest }) {
  const [open, setOpen] = useState(false)
  const [id, setId] = useState(() => v7())
  const form = useNoteForm<{ severity: Severity; felt: string }>(noted, `hand test ${test.id}`, {
    start: () => ({ severity: 'marked', felt: '' }),
    check: () => [],
    bodies: ({ severity, felt }) => [
      {
        kind: 'findingRecorded',
        finding: id,
        value: {
          part: test.part,
          kind: test.kind,
          severity,
          since: 'service',
          station: null,
          clock: null,
          extent: felt.trim(),
          note: test.name,
        },
      },
      { kind: 'handTested', test: test.id, finding: id, note: '' },
    ],
    done: () => {
      setOpen(false)
      setId(v7())
    },
  })
  const [fault, setFault] = useState<string | null>(null)
  const standing = noted.state.handTests.get(test.id)
  const finding = standing?.finding ? noted.state.findings.find(({ id }) => id === standing.finding) : undefined
  const tell = (fate: Awaited<ReturnType<JobNotes['write']>>): void => {
    setFault(fate.kind === 'refused' ? fate.message : null)
    if (fate.kind !== 'refused') setOpen(false)
  }
  return (
    <div className={styles.handTest}>
      <p>
        <b>{test.name}</b> <span className={styles.quiet}>{test.how}</span>
      </p>
      <p className={styles.actions}>
        {standing && (
          <span className={styles.quiet}>
            {standing.finding === null
              ? say.sound
              : finding
                ? `! ${findingWords[finding.kind].label}, ${finding.severity}`
                : say.findingTitle}
            , {standing.by}
          </span>
        )}
        {noted.closed === null && !open && (
          <>
            <Button
              aria-label={say.soundOf(test.name)}
              onClick={() => void noted.write({ kind: 'handTested', test: test.id, finding: null, note: '' }).then(tell)}
            >
              {say.soundTitle}
            </Button>
            <Button aria-label={say.notSound(test.name)} onClick={() => setOpen(true)}>
              {say.notSoundTitle}
            </Button>
          </>
        )}
      </p>
      {open && (
        <form className={styles.causeForm} onSubmit={form.submit} noValidate>
          <Choice
            legend={say.howBad}
            options={severities.map((value) => ({ value, label: severityName[value] }))}
            value={form.value.severity}
            onChange={(severity) => form.set({ severity })}
          />
          <TextField label={say.whatFeltSeen} hint={say.figureUnitWhere} maxLength={80} autoFocus {...form.field('felt')} />
          <Fault text={form.fault} />
          <div className={styles.actions}>
            <Button type="submit" kind="primary">
              {say.noteAsFinding}
            </Button>
            <Button onClick={() => setOpen(false)}>{say.notNow}</Button>
          </div>
        </form>
      )}
      <Fault text={fault} />
    </div>
  )
}
