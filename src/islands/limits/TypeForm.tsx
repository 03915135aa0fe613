import { type SyntheticEvent, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { LimitBook } from '../../core/book/bookSchema'
import type { Gauge } from '../../core/gauge/gauge'
import { type GaugeKind, gaugeKindFacts, gaugeKinds } from '../../core/gauge/gaugeKinds'
import { quantityOf } from '../../core/method/gives'
import type { MethodKind } from '../../core/method/method'
import { setUpOf, usualGaugeOf } from '../../core/method/setUp/setUp'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { gaugeKindName } from '../../core/words/gauges'
import { methodName } from '../../core/words/methods'
import type { Told } from '../../sync/outbox'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import { LimitRows } from './LimitRows'
import styles from './Limits.module.css'
import { SetUpAnswer } from './SetUpAnswer'
import { methodOf, typedFigures, typedOf, usualStep } from './typedForm'
import { useKeptForm } from './useKeptForm'

export interface TypeFormProps {
  readonly jobId: string
  readonly book: LimitBook
  readonly system: UnitSystem
  readonly typed: readonly Typed[]
  readonly gauges: readonly Gauge[]
  /** What is typed anew; null for another one. */
  readonly before: Typed | null
  /** Readings by its method are there: the method stays. */
  readonly measured: boolean
  write(...bodies: readonly EntryBody[]): Promise<Told>
  onDone(id: string): void
  onClose(): void
}

/** Names what is to be measured, sets up its method and types its limits as the manual gives them. */
export function TypeForm(props: TypeFormProps) {
  const { book, system, before } = props
  const { form, set, forget } = useKeptForm(props)
  const [faults, setFaults] = useState<readonly FieldSays[]>([])
  const [busy, setBusy] = useState(false)
  // One id each: pressing twice writes one characteristic.
  const [ids] = useState(() => ({ characteristic: before?.id ?? `t-${v7()}`, part: `t-${v7()}` }))
  const at = (path: string): string | null => faults.find((fault) => fault.at === path)?.says ?? null
  const method = useMemo(() => methodOf(form, before, system), [form, before, system])
  const known = book.parts.some(({ id }) => id === form.part)
  const others = book.characteristics.filter(({ id }) => id !== ids.characteristic)
  const documents = book.documents.filter(({ id }) => id !== form.document)

  const gaugeKind = form.gaugeKind === '' ? usualGaugeOf(form.kind) : form.gaugeKind
  const resolutions = props.gauges.filter(({ kind }) => kind === gaugeKind).map(({ resolution }) => resolution)

  const formRef = useRef<HTMLFormElement>(null)
  // The field at fault may be out of sight in a long form.
  useEffect(() => {
    if (faults.length > 0) formRef.current?.querySelector<HTMLElement>('[data-invalid] input, [data-invalid] select')?.focus()
  }, [faults])

  const save = async (event: SyntheticEvent): Promise<void> => {
    event.preventDefault()
    const value = typedOf(form, { id: ids.characteristic, before, book, system, newPart: ids.part, resolutions })
    if (!value.ok) return setFaults(value.fault)
    setBusy(true)
    const fate = await props.write({ kind: 'characteristicTyped', characteristic: ids.characteristic, value: value.value })
    setBusy(false)
    if (fate.kind === 'refused') return setFaults([{ at: '', says: fate.message }])
    forget()
    props.onDone(ids.characteristic)
  }
  return (
    <Dialog
      title={before ? `Type anew: ${before.value.name}` : 'Measure something that is in no book'}
      onClose={props.onClose}
      wide
    >
      <form ref={formRef} className={styles.form} onSubmit={(event) => void save(event)} onChange={() => setFaults([])}>
        <fieldset className={styles.group}>
          <legend>What</legend>
          <SelectField
            label="Part"
            value={form.part}
            options={[...book.parts.map(({ id, name }) => ({ value: id, label: name })), { value: '', label: 'another part …' }]}
            onChange={(event) => set({ part: event.currentTarget.value })}
          />
          <TextField
            label="What is measured"
            value={form.name}
            error={at('name')}
            maxLength={200}
            autoComplete="off"
            onChange={(event) => set({ name: event.currentTarget.value })}
          />
          {!known && (
            <>
              <TextField
                label="Name of the part"
                value={form.partName}
                error={at('partName')}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ partName: event.currentTarget.value })}
              />
              <TextField
                label="Assembly"
                hint="What it belongs to: pump, gearbox"
                value={form.assembly}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ assembly: event.currentTarget.value })}
              />
              <TextField
                label="Where it sits"
                hint="Drive side, unit 2, upper"
                value={form.position}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ position: event.currentTarget.value })}
              />
            </>
          )}
        </fieldset>
        <fieldset className={styles.group}>
          <legend>How</legend>
          <SelectField
            label="Method"
            value={form.kind}
            disabled={props.measured}
            hint={props.measured ? 'It has readings, so its method stays.' : ''}
            options={(Object.keys(methodName) as MethodKind[]).map((kind) => ({ value: kind, label: methodName[kind] }))}
            onChange={(event) =>
              set({
                kind: event.currentTarget.value as MethodKind,
                answers: {},
                gaugeKind: '',
                readTo: '',
                limits: form.limits.map((row) => ({ ...row, judges: '' })),
              })
            }
          />
          {!props.measured &&
            setUpOf(form.kind).map((field) => (
              <SetUpAnswer
                key={`${form.kind} ${field.key}`}
                kind={form.kind}
                field={field}
                form={form}
                system={system}
                others={others}
                error={at(`answers.${field.key}`)}
                onAnswer={(answer) => set({ answers: { ...form.answers, [field.key]: answer } })}
              />
            ))}
          <SelectField
            label="Taken with"
            value={form.gaugeKind === '' ? usualGaugeOf(form.kind) : form.gaugeKind}
            options={gaugeKinds
              .filter((kind) => !method.ok || kind === 'eye' || gaugeKindFacts[kind].quantity === quantityOf(method.value))
              .map((kind) => ({ value: kind, label: gaugeKindName[kind] }))}
            onChange={(event) => set({ gaugeKind: event.currentTarget.value as GaugeKind })}
          />
          <TextField
            label="Read to"
            value={form.readTo}
            placeholder={method.ok ? usualStep(method.value, system, typedFigures(form), resolutions) : ''}
            autoComplete="off"
            onChange={(event) => set({ readTo: event.currentTarget.value })}
          />
          {method.ok && (
            <div className={styles.sketch}>
              <MethodSketch
                method={method.value}
                active={null}
                taken={new Set()}
                system={system}
                values={new Map()}
                nameOf={(id) => others.find((other) => other.id === id)?.name ?? id}
              />
            </div>
          )}
        </fieldset>
        <fieldset className={styles.group}>
          <legend>From the manual</legend>
          <TextField
            label="Document"
            hint="Its short name or number"
            list="documents-known"
            value={form.document}
            error={at('document')}
            maxLength={40}
            autoComplete="off"
            onChange={(event) => {
              const text = event.currentTarget.value
              const chosen = book.documents.find(({ id }) => id === text)
              set({ document: text, ...(chosen ? { documentTitle: chosen.title, documentRevision: chosen.revision } : {}) })
            }}
          />
          <datalist id="documents-known">
            {documents.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
          </datalist>
          <TextField
            label="Title"
            value={form.documentTitle}
            maxLength={200}
            autoComplete="off"
            onChange={(event) => set({ documentTitle: event.currentTarget.value })}
          />
          <TextField
            label="Revision"
            value={form.documentRevision}
            maxLength={40}
            autoComplete="off"
            onChange={(event) => set({ documentRevision: event.currentTarget.value })}
          />
          <label className={styles.tick}>
            <input type="checkbox" checked={form.safety} onChange={(event) => set({ safety: event.currentTarget.checked })} />
            Safety-marked: departing from its verdict needs the reviewer
          </label>
        </fieldset>
        {form.kind !== 'lookedAt' && form.kind !== 'contactPattern' && form.kind !== 'elements' && (
          <fieldset className={styles.group}>
            <legend>New size, where the manual gives it</legend>
            {(
              [
                ['newLower', 'Least'],
                ['newUpper', 'Greatest'],
                ['newNominal', 'Nominal'],
                ['newPage', 'Page'],
              ] as const
            ).map(([key, label]) => (
              <TextField
                key={key}
                label={key === 'newPage' || !method.ok ? label : `${label}, ${unitOf(quantityOf(method.value), system)}`}
                value={form[key]}
                error={at(key)}
                maxLength={40}
                autoComplete="off"
                onChange={(event) => set({ [key]: event.currentTarget.value })}
              />
            ))}
          </fieldset>
        )}
        <LimitRows
          rows={form.limits}
          method={method.ok ? method.value : null}
          system={system}
          at={at}
          onChange={(limits) => set({ limits })}
        />
        <p className={styles.waits}>
          Figures take a unit: <span className="figure">0.35 mm</span>, <span className="figure">14 thou</span>,{' '}
          <span className="figure">2 1/2 in</span>. What is typed here counts at once and is shown as unchecked until a second
          person has held it against the document.
        </p>
        <Fault text={at('')} />
        <DialogActions>
          <Button onClick={props.onClose}>Leave it</Button>
          <Button kind="primary" type="submit" disabled={busy}>
            {before ? 'Type anew' : 'Measure it'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
