import { useState } from 'react'
import type { DraftBookAnswer } from '../../contract/answers'
import type { DraftBookBody } from '../../contract/bodies'
import { quantityOf, quantityOfValue, stepOf } from '../../core/method/gives'
import { slotsOf } from '../../core/method/layout'
import type { Added } from '../../core/notes/additions'
import { additionsIn, typedIn } from '../../core/notes/typedBook'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { figuresOf } from '../../core/quantity/figures'
import { gaugeKindName } from '../../core/words/gauges'
import { valueName } from '../../core/words/labels'
import { methodName } from '../../core/words/methods'
import { say } from '../../labels/limits'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import { FittedTypes } from '../notes/FittedTypes'
import { Notices } from '../notes/Notices'
import { type JobNotes, type NotesProps, useNotes } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import { AddedList } from './AddedList'
import { Check } from './Check'
import styles from './Limits.module.css'
import { TypeForm } from './TypeForm'

/** What was typed from the manual in this job: to be held against the document by a second person, and made a draft book of. */
function Limits(props: NotesProps) {
  const noted = useNotes(props)
  const { record } = noted
  const typed = typedIn(record.job.entries)
  const added = additionsIn(record.job.entries)
  const [editing, setEditing] = useState<Typed | 'new' | null>(null)
  const waiting = typed.filter(({ check }) => check === null).length
  const measured = new Set(record.job.readings.map(({ characteristic }) => characteristic))
  return (
    <div className={styles.sheet}>
      <Notices noted={noted} />
      <header className={styles.head}>
        <div>
          <h1>{say.limitsTypedFrom}</h1>
          <p className={styles.about}>
            {record.book.issued === null && record.book.revision === 'none'
              ? say.machineNoLimit
              : say.besideRevision(record.book.title, record.book.revision)}
          </p>
        </div>
        <div className={styles.actions}>
          <Button disabled={noted.closed !== null} onClick={() => setEditing('new')}>
            {say.addFromManual}
          </Button>
          <ButtonLink href={`/jobs/${record.job.id}/bench`} kind="primary">
            {say.bench}
          </ButtonLink>
        </div>
      </header>
      <FittedTypes noted={noted} />
      {typed.length === 0 ? (
        <p className={styles.about}>{say.nothingTypedYet}</p>
      ) : (
        <p className={styles.count} aria-live="polite">
          <span className="figure">{typed.length - waiting}</span> {say.ofOne} <span className="figure">{typed.length}</span>{' '}
          {say.checkedSecondPerson}
        </p>
      )}
      <ul className={styles.cards}>
        {typed.map((item) => (
          <Card
            key={item.id}
            noted={noted}
            typed={item}
            person={props.person.name}
            measured={measured.has(item.id)}
            onEdit={() => setEditing(item)}
          />
        ))}
      </ul>
      <AddedList noted={noted} person={props.person.name} />
      {(typed.length > 0 || added.length > 0) && <DraftBook noted={noted} typed={typed} added={added} />}
      {editing !== null && (
        <TypeForm
          jobId={record.job.id}
          book={record.book}
          system={record.machine.units}
          typed={typed}
          gauges={record.gauges}
          before={editing === 'new' ? null : editing}
          measured={editing !== 'new' && measured.has(editing.id)}
          write={noted.write}
          onDone={() => setEditing(null)}
          onClose={() => setEditing(null)}
        />
      )}
    </div>
  )
}

const stateOf = ({ check }: Typed): 'unchecked' | 'checked' | 'wrong' =>
  check === null ? 'unchecked' : check.agrees ? 'checked' : 'wrong'
const stateWord = { unchecked: say.notCheckedYet, checked: say.checked, wrong: say.doesNotAgree } as const

function Card({
  noted,
  typed,
  person,
  measured,
  onEdit,
}: {
  readonly noted: JobNotes
  readonly typed: Typed
  readonly person: string
  readonly measured: boolean
  onEdit(): void
}) {
  const { value, check } = typed
  const { method } = value
  const system = noted.record.machine.units
  const own = noted.record.book.characteristics.find(({ id }) => id === typed.id)
  const state = stateOf(typed)
  const figure = (index: number, which: 'wear' | 'plan'): string => {
    const limit = own?.limits.find(({ id }) => id === `limit-${index + 1}`)
    const read = limit?.[which]
    // A table, or that there is none, stands as it was typed.
    if (!limit || read === null || read === undefined) return value.limits[index]?.[which] ?? ''
    // One place finer than it is read: what was typed in another unit must be seen as it was taken.
    const kind = quantityOfValue(method, limit.judges)
    const figures = figuresOf(kind, system, stepOf(method, own?.showTo ?? 1, kind) / 10)
    return `${figures.figure(read)} ${figures.unit}`.trim()
  }
  const places = slotsOf(method).length
  return (
    <li className={styles.card} data-state={state}>
      <div className={styles.cardHead}>
        <h2>{value.name}</h2>
        <span className={styles.state}>{stateWord[state]}</span>
      </div>
      <p className={styles.about}>
        {value.part.name}
        {value.part.position === value.part.name ? '' : `, ${value.part.position}`} · {methodName[method.kind]}
        {places > 0 && `, ${places} ${places === 1 ? say.reading : say.readings}`} · {gaugeKindName[value.gaugeKind]}
        {value.safety && say.safetyMarked}
      </p>
      <p>
        <b>{value.document.id}</b> {value.document.title === value.document.id ? '' : value.document.title}
        {value.document.revision === '' ? '' : say.revision(value.document.revision)}
      </p>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">{say.judged}</th>
            <th scope="col">{say.asTyped}</th>
            <th scope="col">{say.takenAs}</th>
            <th scope="col">{say.page}</th>
          </tr>
        </thead>
        <tbody>
          {value.new && (
            <tr>
              <th scope="row">{say.newOne}</th>
              <td className="figure">
                {value.new.lower} … {value.new.upper}
              </td>
              <td className="figure">{newWords(own, system, method)}</td>
              <td className="figure">{value.new.page}</td>
            </tr>
          )}
          {value.limits.map((limit, index) => (
            <tr key={`${limit.judges} ${limit.side} ${limit.wear}`}>
              <th scope="row">
                {valueName[limit.judges]} {limit.side === 'upper' ? say.most : say.least}
              </th>
              <td className="figure">
                {limit.wear}
                {limit.plan !== null && ` (plan ${limit.plan})`}
              </td>
              <td className="figure">
                {figure(index, 'wear')}
                {limit.plan !== null && ` (plan ${figure(index, 'plan')})`}
              </td>
              <td className="figure">{limit.page}</td>
            </tr>
          ))}
          {value.limits.length === 0 && (
            <tr>
              <th scope="row">{say.noLimit}</th>
              <td colSpan={3}>{say.informationOnly}</td>
            </tr>
          )}
        </tbody>
      </table>
      <p className={styles.about}>
        {say.typed} {typed.by}
        {check && say.by(check.agrees ? say.checked : say.refused, check.by, check.note === '' ? '' : `: ${check.note}`)}
      </p>
      <Check
        noted={noted}
        typed={typed}
        person={person}
        isLimited
        drop={measured ? null : (reason) => ({ kind: 'characteristicDropped', characteristic: typed.id, reason })}
        onEdit={onEdit}
      />
    </li>
  )
}

function newWords(
  own: JobNotes['record']['book']['characteristics'][number] | undefined,
  system: 'metric' | 'inch',
  method: Typed['value']['method'],
): string {
  if (!own?.new) return ''
  const { figure, unit } = figuresOf(quantityOf(method), system, own.showTo)
  return `${figure(own.new.lower)} … ${figure(own.new.upper)} ${unit}`.trim()
}

/** Everything typed, together, as a draft of a limit book. */
function DraftBook({
  noted,
  typed,
  added,
}: {
  readonly noted: JobNotes
  readonly typed: readonly Typed[]
  readonly added: readonly Added[]
}) {
  const { record } = noted
  const [made, setMade] = useState<DraftBookAnswer | null>(null)
  const form = useSentForm<DraftBookBody, DraftBookAnswer>({
    key: `medida-form:${record.job.id}:draft-book`,
    start: () => ({ title: record.book.revision === 'none' ? `${record.machine.name}: limits` : record.book.title }),
    path: `/api/jobs/${encodeURIComponent(record.job.id)}/draft-book`,
    schema: async () => (await import('../../contract/bodies')).draftBookBody,
    body: (typed) => typed,
    done: (answer, typed) => {
      form.reset(typed)
      setMade(answer)
    },
  })
  const waiting = [
    ...typed.map(({ value, check }) => ({ name: value.name, check })),
    ...added.flatMap(({ what, check }) => (what.of === 'fit' && what.limits.length > 0 ? [{ name: what.name, check }] : [])),
  ].filter(({ check }) => check?.agrees !== true)
  return (
    <section className={styles.draft} aria-labelledby="draft">
      <h2 id="draft">{say.makeDraftLimit}</h2>
      <p className={styles.about}>
        {!noted.view.may.note
          ? say.inspectorMakesDraft
          : waiting.length > 0
            ? say.waitsCheck(waiting.map(({ name }) => name).join(', '))
            : say.partsPositionsMethods}
      </p>
      <form className={styles.why} onSubmit={form.submit} noValidate>
        <TextField label={say.titleBook} maxLength={200} {...form.field('title')} />
        <Button kind="primary" type="submit" disabled={waiting.length > 0 || form.busy || !noted.view.may.note}>
          {say.makeDraft}
        </Button>
      </form>
      {made && (
        <p role="status">
          {made.stored ? say.made : say.thereAlready}: {form.value.title}, {made.revision}.{' '}
          <a href={`/api/books/${encodeURIComponent(made.id)}/${encodeURIComponent(made.revision)}`}>{say.file}</a>
        </p>
      )}
      <Fault text={form.fault} />
    </section>
  )
}

/** As its page shows it. */
export const LimitsIsland = receiving(Limits)
