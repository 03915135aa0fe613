import { useRef } from 'react'
import { v7 } from 'uuid'
import type { Part } from '../../core/book/bookSchema'
import { type FindingKind, type Severity, type Since, severities, sinceWhen } from '../../core/condition/findingKinds'
import { type Finding, piecesOf } from '../../core/notes/state'
import { severityName, sinceName } from '../../core/words/findings'
import { say } from '../../labels/look'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { ClockDial } from '../../ui/partSketch/ClockDial'
import { PartSketch } from '../../ui/partSketch/PartSketch'
import type { JobNotes } from '../notes/useNotes'
import { useSubjectForm } from '../notes/useSubjectForm'
import { KindField } from './KindField'
import styles from './Look.module.css'

interface Draft {
  readonly kind: FindingKind | null
  readonly severity: Severity
  readonly since: Since
  readonly station: string | null
  readonly clock: number | null
  /** Which of the like pieces, or nothing. */
  readonly piece: string
  readonly extent: string
  readonly note: string
}

const EMPTY: Draft = {
  kind: null,
  severity: 'marked',
  since: 'service',
  station: null,
  clock: null,
  piece: '',
  extent: '',
  note: '',
}

function draftOf(finding: Finding | null): Draft {
  if (finding === null) return EMPTY
  const { kind, severity, since, station, clock, piece, extent, note } = finding
  return { kind, severity, since, station, clock, piece: piece === undefined ? '' : String(piece), extent, note }
}

/** One finding: kind, how bad, where on the part, how far it reaches. Changing one keeps its history. */
export function FindingForm({
  noted,
  part,
  changing,
  onDone,
}: {
  readonly noted: JobNotes
  readonly part: Part
  readonly changing: Finding | null
  readonly onDone: () => void
}) {
  // A new finding has a subject of its own, which nobody else can change meanwhile.
  const form = useSubjectForm<Draft>(noted, changing ? `finding:${changing.id}` : `new finding:${part.id}`, draftOf(changing))
  const { value: draft, set } = form
  const kindInput = useRef<HTMLInputElement>(null)
  const position = noted.record.book.positions.find(({ part: own, stations }) => own === part.id && stations.length > 0)
  const pieces = piecesOf(noted.state, part.id)
  const before = noted.state.findings.filter((finding) => finding.part === part.id && finding.withdrawn === null)

  async function note(): Promise<void> {
    if (draft.kind === null) {
      form.say([{ at: 'kind', says: say.chooseWhatFound }])
      return kindInput.current?.focus()
    }
    const { kind, piece, ...rest } = draft
    const noted = await form.write({
      kind: 'findingRecorded',
      finding: changing?.id ?? v7(),
      value: {
        part: part.id,
        kind,
        ...rest,
        ...(piece === '' ? {} : { piece: Number(piece) }),
        extent: draft.extent.trim(),
        note: draft.note.trim(),
      },
    })
    if (!noted) return
    onDone()
    kindInput.current?.focus()
  }

  return (
    <form
      className={styles.findingForm}
      aria-label={say.finding(part.name)}
      onSubmit={(event) => {
        event.preventDefault()
        void note()
      }}
    >
      <div className={styles.formLeft}>
        <KindField value={draft.kind} error={form.at('kind')} onChange={(kind) => set({ kind })} inputRef={kindInput} />
        <Choice
          legend={say.howBad}
          options={severities.map((value) => ({ value, label: severityName[value] }))}
          value={draft.severity}
          onChange={(severity) => set({ severity })}
        />
        <div className={styles.two}>
          <TextField label={say.howFarReaches} hint={say.lengthAreaNumber} maxLength={80} {...form.field('extent')} />
          <SelectField
            label={say.sinceWhen}
            options={sinceWhen.map((value) => ({ value, label: sinceName[value] }))}
            {...form.field('since')}
          />
        </div>
        {pieces > 1 && (
          <SelectField
            label={say.whichPiece(pieces)}
            options={[
              { value: '', label: say.anyPiece },
              ...Array.from({ length: pieces }, (_, at) => ({ value: String(at + 1), label: String(at + 1) })),
            ]}
            {...form.field('piece')}
          />
        )}
        <TextField label={say.note} maxLength={400} {...form.field('note')} />
        <Fault text={form.fault} />
        <div className={styles.actions}>
          <Button type="submit" kind="primary">
            {changing ? say.changeFinding : say.noteFinding}
          </Button>
          {changing && <Button onClick={onDone}>{say.leave}</Button>}
        </div>
      </div>
      <fieldset className={styles.where}>
        <legend>{say.wherePart}</legend>
        {position && (
          <PartSketch
            name={part.name}
            form={position.form}
            stations={position.stations}
            value={draft.station}
            marked={before.flatMap(({ station }) => station ?? [])}
            onChange={(station) => set({ station })}
          />
        )}
        <ClockDial
          label={say.clockPosition(part.name)}
          value={draft.clock}
          marked={before.flatMap(({ clock }) => clock ?? [])}
          onChange={(clock) => set({ clock })}
        />
        <p className={styles.quiet}>
          {[draft.station && say.station(draft.station), draft.clock && `${draft.clock} o’clock`].filter(Boolean).join(', ') ||
            say.tapStationHour}
        </p>
      </fieldset>
    </form>
  )
}
