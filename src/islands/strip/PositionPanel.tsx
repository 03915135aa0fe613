import { useState } from 'react'
import { formatMoment } from '../../contract/words'
import type { Tag } from '../../core/notes/shapes'
import type { NotedPosition } from '../../core/notes/state'
import type { StripFault } from '../../core/notes/stripFaults'
import { stripFaultWords } from '../../core/words/strip'
import { say } from '../../labels/strip'
import { Button, ButtonLink } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { ClockDial } from '../../ui/partSketch/ClockDial'
import type { JobNotes } from '../notes/useNotes'
import { useSubjectForm } from '../notes/useSubjectForm'
import { Pictures } from '../picture/Pictures'
import { parentOptions } from './AddPosition'
import { Identification, Thickness } from './Sizes'
import styles from './StripMap.module.css'
import { nextTagNumber } from './stripModel'

interface PanelProps {
  readonly noted: JobNotes
  readonly position: NotedPosition
  readonly tray: string
  readonly faults: readonly StripFault[]
  readonly onLayOut: () => void
  readonly onPutBack: () => void
}

/** One part: what may fall, where it lies, its tag, its marks, its sizes, its pictures. */
export function PositionPanel({ noted, position, tray, faults, onLayOut, onPutBack }: PanelProps) {
  const { book } = position
  const joints = noted.record.book.joints.filter(({ between }) => between.includes(position.id))
  const open = noted.closed === null
  return (
    <div className={styles.partPanel}>
      <h2 className={styles.partName}>{position.name}</h2>
      {book?.loose && (
        <p className={styles.loose}>
          <b>{say.beforeComesOut}</b> {book.loose}.
        </p>
      )}
      <ul className={styles.facts}>
        {position.count > 1 && (
          <li>
            <span className="figure">{position.count}</span> {say.piecesBook}
          </li>
        )}
        {book?.thread && <li>{book.thread === 'left' ? say.leftHandThread : say.rightHandThread}</li>}
        {book?.special && <li>{book.special}</li>}
        {position.tray !== null && <li>{say.lies(position.tray)}</li>}
      </ul>
      {open && (
        <div className={styles.actions}>
          {position.tray === null ? (
            <Button kind="primary" onClick={onLayOut}>
              {say.layOut(tray)}
            </Button>
          ) : (
            <Button onClick={onPutBack}>{say.putBackInto}</Button>
          )}
          {position.tray !== null && (
            <ButtonLink href={`/jobs/${noted.record.job.id}/labels?form=single&p=${position.id}`}>{say.label}</ButtonLink>
          )}
        </div>
      )}
      {faults.length > 0 && (
        <ul className={styles.partFaults}>
          {faults.map((fault) => {
            const says = stripFaultWords(noted.state, fault)
            return <li key={says}>{says}</li>
          })}
        </ul>
      )}
      <TagForm noted={noted} position={position} />
      {joints.map((joint) => (
        <MatchMark key={joint.id} noted={noted} joint={joint} />
      ))}
      {book?.asks === 'thickness' && <Thickness noted={noted} position={position} />}
      {(book?.asks === 'bearing' || book?.asks === 'seal' || book?.asks === 'thread') && (
        <Identification noted={noted} position={position} kind={book.asks} />
      )}
      <section className={styles.block}>
        <h3>{say.pictures}</h3>
        <Pictures noted={noted} subject={{ kind: 'position', id: position.id }} title={position.name} />
      </section>
      {open && <Place noted={noted} position={position} />}
    </div>
  )
}

function TagForm({ noted, position }: { readonly noted: JobNotes; readonly position: NotedPosition }) {
  const { book, tag } = position
  const form = useSubjectForm<Tag>(noted, `tag:${position.id}`, {
    number: tag?.number ?? nextTagNumber(noted.state),
    face: tag?.face ?? '',
    clock: tag?.clock ?? null,
    matchMark: tag?.matchMark ?? '',
    keptWith: [...(tag?.keptWith ?? book?.keptWith ?? [])],
    count: tag?.count ?? position.count,
    note: tag?.note ?? '',
  })
  const { value: draft, set } = form
  const disabled = noted.closed !== null
  const mates = book?.keptWith ?? []
  const nameOf = (id: string): string => noted.state.positions.find((other) => other.id === id)?.name ?? id
  return (
    <form
      className={styles.block}
      onSubmit={(event) => {
        event.preventDefault()
        void form.write({ kind: 'tagWritten', position: position.id, tag: draft })
      }}
    >
      <h3>{say.tag}</h3>
      {tag && (
        <p className={styles.quiet}>
          {tag.by}, <span className="figure">{formatMoment(tag.at)}</span>
        </p>
      )}
      <div className={styles.two}>
        <TextField
          label={say.number}
          value={draft.number}
          maxLength={20}
          disabled={disabled}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => set({ number: event.currentTarget.value })}
        />
        <TextField
          label={say.found(position.count)}
          inputMode="numeric"
          value={String(draft.count)}
          disabled={disabled}
          onChange={(event) => {
            const typed = event.currentTarget.value
            if (/^\d{0,3}$/.test(typed)) set({ count: Number(typed) })
          }}
        />
      </div>
      {book && book.faces.length > 0 && (
        <Choice
          legend={say.facing}
          options={book.faces.map((face) => ({ value: face, label: face }))}
          value={draft.face}
          disabled={disabled}
          onChange={(face) => set({ face })}
        />
      )}
      {book?.clock && (
        <div className={styles.clock}>
          <ClockDial
            label={say.clockDirection(book.clock)}
            value={draft.clock}
            disabled={disabled}
            onChange={(clock) => set({ clock })}
          />
          <p>
            {say.where} {book.clock} {say.stands}
            {draft.clock === null ? (
              ''
            ) : (
              <>
                : <b className="figure">{draft.clock}</b> {say.oclock}
              </>
            )}
          </p>
        </div>
      )}
      {(!book || book.faces.length === 0) && (
        <TextField
          label={say.facing}
          hint={say.whichFaceOut}
          value={draft.face}
          maxLength={80}
          disabled={disabled}
          onChange={(event) => set({ face: event.currentTarget.value })}
        />
      )}
      {mates.length > 0 && (
        <fieldset className={styles.mates} disabled={disabled}>
          <legend>{say.kept}</legend>
          {mates.map((id) => (
            <label key={id}>
              <input
                type="checkbox"
                checked={draft.keptWith.includes(id)}
                onChange={(event) =>
                  set({
                    keptWith: event.currentTarget.checked
                      ? [...draft.keptWith, id]
                      : draft.keptWith.filter((other) => other !== id),
                  })
                }
              />
              {nameOf(id)}
            </label>
          ))}
        </fieldset>
      )}
      <TextField
        label={say.note}
        value={draft.note}
        maxLength={400}
        disabled={disabled}
        onChange={(event) => set({ note: event.currentTarget.value })}
      />
      <Fault text={form.fault} />
      {!disabled && (
        <Button type="submit" kind="primary">
          {say.writeTag}
        </Button>
      )}
    </form>
  )
}

function MatchMark({ noted, joint }: { readonly noted: JobNotes; readonly joint: JobNotes['record']['book']['joints'][number] }) {
  const before = noted.state.joints.get(joint.id)
  const form = useSubjectForm(noted, `joint:${joint.id}`, { mark: before?.mark ?? joint.mark ?? '' })
  return (
    <form
      className={styles.block}
      onSubmit={(event) => {
        event.preventDefault()
        void form.write({ kind: 'jointMarked', joint: joint.id, mark: form.value.mark.trim() })
      }}
    >
      <h3>{say.matchMark(joint.name)}</h3>
      {before ? (
        <p className={styles.quiet}>
          ✓ {before.mark}, {before.by}
        </p>
      ) : (
        <p className={styles.quiet}>{say.madeBeforeJoint}</p>
      )}
      <TextField label={say.markBothSides} maxLength={80} disabled={noted.closed !== null} {...form.field('mark')} />
      <Fault text={form.fault} />
      {noted.closed === null && <Button type="submit">{before ? say.changeMark : say.marked}</Button>}
    </form>
  )
}

/** Where the part sits in the tree, when the book is not right about this machine. */
function Place({ noted, position }: { readonly noted: JobNotes; readonly position: NotedPosition }) {
  const [fault, setFault] = useState<string | null>(null)
  return (
    <details className={styles.block}>
      <summary>{say.whereSits}</summary>
      <SelectField
        label={say.sits}
        value={position.parent ?? ''}
        options={parentOptions(noted)}
        error={fault}
        onChange={(event) => {
          const parent = event.currentTarget.value
          void noted
            .write({ kind: 'positionMoved', position: position.id, parent: parent === '' ? null : parent })
            .then((fate) => setFault(fate.kind === 'refused' ? fate.message : null))
        }}
      />
    </details>
  )
}
