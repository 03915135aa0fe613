import { useState } from 'react'
import { v7 } from 'uuid'
import { type Stop, stops } from '../../core/book/phases'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { JobStep } from '../../core/notes/steps'
import { commonCautionList } from '../../core/safety/cautions'
import { cautionText } from '../../core/words/cautions'
import { say } from '../../labels/steps'
import { Button } from '../../ui/Button'
import { CheckField, Fault, SelectField, TextArea, TextField } from '../../ui/Field'
import { useNoteForm } from '../notes/useNoteForm'
import type { JobNotes } from '../notes/useNotes'
import styles from './PhaseSteps.module.css'

interface AddStepProps {
  readonly noted: JobNotes
  readonly phase: JobStep['phase']
  readonly after: string | null
}

interface StepForm {
  readonly name: string
  readonly text: string
  readonly caution: string
  readonly holdPoint: boolean
  readonly minutes: string
  readonly waitsFor: string
  readonly stop: Stop | ''
  readonly stopText: string
  readonly removes: string
  readonly measures: string
}

/** A step that the book does not have: what is done, and where it matters its caution, hold point, clock and where it stops. */
export function AddStep(props: AddStepProps) {
  const [open, setOpen] = useState(false)
  if (props.noted.closed !== null) return null
  return open ? (
    <StepFields {...props} onDone={() => setOpen(false)} />
  ) : (
    <Button kind="quiet" onClick={() => setOpen(true)}>
      {say.addStep}
    </Button>
  )
}

function StepFields({ noted, phase, after, onDone }: AddStepProps & { onDone(): void }) {
  const form = useNoteForm<StepForm>(noted, `step after ${after ?? phase}`, {
    start: () => ({
      name: '',
      text: '',
      caution: '',
      holdPoint: false,
      minutes: '',
      waitsFor: '',
      stop: '',
      stopText: '',
      removes: '',
      measures: '',
    }),
    check: faultsOf,
    bodies: (typed) => [stepAdded(typed, phase, after)],
    done: onDone,
  })
  const { value } = form
  const { book } = noted.record
  const cautions = [...commonCautionList, ...book.cautions]
  const none = { value: '', label: say.none }
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.whatDone} maxLength={200} autoFocus {...form.field('name')} />
      <details>
        <summary>{say.more}</summary>
        <div className={styles.more}>
          <TextArea label={say.howDone} rows={2} maxLength={1000} {...form.field('text')} />
          <SelectField
            label={say.caution}
            options={[none, ...cautions.map((caution) => ({ value: caution.id, label: cautionText(caution) }))]}
            {...form.field('caution')}
          />
          <SelectField
            label={say.stopsAt}
            options={[none, ...stops.map((stop) => ({ value: stop, label: say.stops[stop] }))]}
            {...form.field('stop')}
          />
          {value.stop !== '' && (
            <TextField label={say.stopText} hint={say.stopHint} maxLength={200} {...form.field('stopText')} />
          )}
          <TextField label={say.waitMinutes} inputMode="numeric" maxLength={5} {...form.field('minutes')} />
          {value.minutes.trim() !== '' && <TextField label={say.waitsFor} maxLength={200} {...form.field('waitsFor')} />}
          <SelectField
            label={say.measuredIn}
            options={[none, ...book.characteristics.map(({ id, name }) => ({ value: id, label: name }))]}
            {...form.field('measures')}
          />
          {phase === 'strip' && (
            <SelectField
              label={say.takesOut}
              options={[none, ...noted.state.positions.map(({ id, name }) => ({ value: id, label: name }))]}
              {...form.field('removes')}
            />
          )}
          <CheckField label={say.holdPoint} hint={say.holdPointHint} {...form.field('holdPoint')} />
        </div>
      </details>
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary">
          {say.addEnd}
        </Button>
        <Button onClick={onDone}>{say.notNow}</Button>
      </div>
    </form>
  )
}

function faultsOf({ name, minutes, waitsFor, stop, stopText }: StepForm) {
  const wait = minutes.trim()
  return [
    ...(name.trim() === '' ? [{ at: 'name', says: say.sayWhatDone }] : []),
    ...(wait !== '' && !(/^\d+$/.test(wait) && Number(wait) >= 1 && Number(wait) <= 10_000)
      ? [{ at: 'minutes', says: say.minutesWhole }]
      : []),
    ...(wait !== '' && waitsFor.trim() === '' ? [{ at: 'waitsFor', says: say.sayWhatFor }] : []),
    ...(stop !== '' && stopText.trim() === '' ? [{ at: 'stopText', says: say.sayWhereStops }] : []),
  ]
}

function stepAdded(typed: StepForm, phase: JobStep['phase'], after: string | null): EntryBody {
  const { holdPoint, stop } = typed
  const one = (id: string): string[] => (id === '' ? [] : [id])
  const wait = typed.minutes.trim() === '' ? null : { minutes: Number(typed.minutes.trim()), for: typed.waitsFor.trim() }
  const has = {
    cautions: one(typed.caution),
    holdPoint,
    wait,
    stop: stop === '' ? null : { at: stop, text: typed.stopText.trim() },
    removes: one(typed.removes),
    measures: one(typed.measures),
  }
  return { kind: 'stepAdded', step: v7(), phase, name: typed.name.trim(), text: typed.text.trim(), after, has }
}
