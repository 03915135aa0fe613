import { type SyntheticEvent, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import { type GaugeKind, gaugeKindFacts, gaugeKindLabel, gaugeKinds } from '../../core/gauge/gauge'
import { givesOf, quantityOf } from '../../core/method/gives'
import { type MethodKind, methodName } from '../../core/method/method'
import { type ReductionName, reductionLabel } from '../../core/method/reduction'
import { type SetUpField, setUpOf, usualGauge } from '../../core/method/setUp/fields'
import { namesInFormula } from '../../core/method/setUp/setUp'
import { type UnitSystem, unitOf } from '../../core/quantity/format'
import type { LimitBook } from '../../core/record/bookSchema'
import type { EntryBody } from '../../core/work/entrySchema'
import type { Typed } from '../../core/work/typedBook'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import type { Fate } from '../work/useEntries'
import styles from './Limits.module.css'
import {
  emptyForm,
  emptyLimit,
  type FormFault,
  formOf,
  judgedBy,
  judgeLabel,
  type LimitRow,
  methodOf,
  type TypedForm,
  typedOf,
  usualJudge,
  usualStep,
} from './typedForm'

export interface TypeFormProps {
  readonly jobId: string
  readonly book: LimitBook
  readonly system: UnitSystem
  readonly typed: readonly Typed[]
  /** What is typed anew; null for another one. */
  readonly before: Typed | null
  /** Readings by its method are there: the method stays. */
  readonly measured: boolean
  write(...bodies: readonly EntryBody[]): Promise<Fate>
  onDone(id: string): void
  onClose(): void
}

/** Names what is to be measured, sets up its method and types its limits as the manual gives them. */
export function TypeForm(props: TypeFormProps) {
  const { book, system, before, typed } = props
  const { form, set, forget } = useKept(props)
  const [fault, setFault] = useState<FormFault | null>(null)
  const [busy, setBusy] = useState(false)
  // One id each: pressing twice writes one characteristic.
  const [ids] = useState(() => ({ characteristic: before?.id ?? `t-${v7()}`, part: `t-${v7()}` }))
  const at = (path: string): string | null => (fault?.at === path ? fault.says : null)
  const method = useMemo(() => methodOf(form, before, system), [form, before, system])
  const known = book.parts.some(({ id }) => id === form.part)
  const others = book.characteristics.filter(({ id }) => id !== ids.characteristic)
  const documents = book.documents.filter(({ id }) => id !== form.document)

  const formRef = useRef<HTMLFormElement>(null)
  // The field at fault may be out of sight in a long form.
  useEffect(() => {
    if (fault !== null) formRef.current?.querySelector<HTMLElement>('[data-invalid] input, [data-invalid] select')?.focus()
  }, [fault])

  const save = async (event: SyntheticEvent): Promise<void> => {
    event.preventDefault()
    const value = typedOf(form, { id: ids.characteristic, before, book, system, newPart: ids.part })
    if (!value.ok) return setFault(value.fault)
    setBusy(true)
    const fate = await props.write({ kind: 'characteristicTyped', characteristic: ids.characteristic, value: value.value })
    setBusy(false)
    if (fate.kind === 'refused') return setFault({ at: '', says: fate.message })
    forget()
    props.onDone(ids.characteristic)
  }
  const setLimit = (index: number, over: Partial<LimitRow>): void =>
    set({ limits: form.limits.map((row, place) => (place === index ? { ...row, ...over } : row)) })

  return (
    <Dialog
      title={before ? `Type anew: ${before.value.name}` : 'Measure something that is in no book'}
      onClose={props.onClose}
      wide
    >
      <form ref={formRef} className={styles.form} onSubmit={(event) => void save(event)} onChange={() => setFault(null)}>
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
            value={form.gaugeKind === '' ? usualGauge[form.kind] : form.gaugeKind}
            options={gaugeKinds
              .filter((kind) => !method.ok || kind === 'eye' || gaugeKindFacts[kind].quantity === quantityOf(method.value))
              .map((kind) => ({ value: kind, label: gaugeKindLabel[kind] }))}
            onChange={(event) => set({ gaugeKind: event.currentTarget.value as GaugeKind })}
          />
          <TextField
            label="Read to"
            value={form.readTo}
            placeholder={method.ok ? usualStep(method.value, system) : ''}
            autoComplete="off"
            onChange={(event) => set({ readTo: event.currentTarget.value })}
          />
          {method.ok && (
            <div className={styles.sketch}>
              <MethodSketch method={method.value} active={null} taken={new Set()} system={system} values={new Map()} />
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
        <fieldset className={styles.limits}>
          <legend>Limits as the manual gives them</legend>
          {form.limits.map((row, index) => (
            <div key={row.key} className={styles.limitRow}>
              <SelectField
                label="Judged"
                value={row.judges === '' && method.ok ? usualJudge(method.value, row.side) : row.judges}
                options={
                  method.ok
                    ? judgedBy(method.value).map((name) => ({ value: name, label: judgeLabel(method.value, name, system) }))
                    : [{ value: row.judges, label: reductionLabel[row.judges as ReductionName] ?? 'set the method up first' }]
                }
                onChange={(event) => setLimit(index, { judges: event.currentTarget.value })}
              />
              <SelectField
                label="It may be"
                value={row.side}
                options={[
                  { value: 'upper', label: 'at most' },
                  { value: 'lower', label: 'at least' },
                ]}
                onChange={(event) => setLimit(index, { side: event.currentTarget.value as LimitRow['side'] })}
              />
              <TextField
                label="Wear limit"
                value={row.wear}
                error={at(`limits.${index}.wear`)}
                maxLength={60}
                autoComplete="off"
                onChange={(event) => setLimit(index, { wear: event.currentTarget.value })}
              />
              <TextField
                label="Plan limit"
                value={row.plan}
                maxLength={60}
                autoComplete="off"
                onChange={(event) => setLimit(index, { plan: event.currentTarget.value })}
              />
              <TextField
                label="Page"
                value={row.page}
                error={at(`limits.${index}.page`)}
                maxLength={40}
                autoComplete="off"
                onChange={(event) => setLimit(index, { page: event.currentTarget.value })}
              />
              <SelectField
                label="When passed"
                value={row.whenPassed}
                options={[
                  { value: 'mend', label: 'mend, or replace' },
                  { value: 'replace', label: 'replace' },
                ]}
                onChange={(event) => setLimit(index, { whenPassed: event.currentTarget.value as LimitRow['whenPassed'] })}
              />
              <Button
                onClick={() => set({ limits: form.limits.filter((_, place) => place !== index) })}
                aria-label={`Take limit ${index + 1} out`}
              >
                ×
              </Button>
            </div>
          ))}
          <div>
            <Button onClick={() => set({ limits: [...form.limits, emptyLimit(form.limits.at(-1)?.page ?? '')] })}>
              Another limit
            </Button>
          </div>
        </fieldset>
        <p className={styles.waits}>
          Figures take a unit: <span className="figure">0.35 mm</span>, <span className="figure">14 thou</span>,{' '}
          <span className="figure">2 1/2 in</span>. What is typed here counts at once and is shown as unchecked until a second
          person has held it against the document.
        </p>
        <Fault text={fault?.at === '' ? fault.says : null} />
        <DialogActions>
          <Button onClick={props.onClose}>Leave it</Button>
          <Button kind="primary" type="submit" disabled={busy}>
            {before ? 'Type anew' : 'Measure it'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )

  function useKept({ jobId }: TypeFormProps) {
    const key = `medida-form:${jobId}:type:${before?.id ?? 'new'}`
    const [state, setState] = useState<TypedForm>(() => (before ? formOf(before) : emptyForm(book, typed.at(-1))))
    useEffect(() => {
      try {
        const saved = sessionStorage.getItem(key)
        if (saved !== null) setState((now) => ({ ...now, ...(JSON.parse(saved) as Partial<TypedForm>) }))
      } catch {
        sessionStorage.removeItem(key) // written by something else: not a form of ours
      }
    }, [key])
    return {
      form: state,
      set: (over: Partial<TypedForm>): void =>
        setState((now) => {
          const next = { ...now, ...over }
          sessionStorage.setItem(key, JSON.stringify(next))
          return next
        }),
      forget: (): void => sessionStorage.removeItem(key),
    }
  }
}

/** One question of a method's set-up, by its kind. */
function SetUpAnswer({
  field,
  form,
  system,
  others,
  error,
  onAnswer,
}: {
  readonly field: SetUpField
  readonly form: TypedForm
  readonly system: UnitSystem
  readonly others: LimitBook['characteristics']
  readonly error: string | null
  onAnswer(answer: string): void
}) {
  const value = form.answers[field.key] ?? field.start ?? ''
  const label = field.kind === 'figure' ? `${field.label}, ${unitOf(field.quantity, system)}` : field.label
  if (field.kind === 'choice')
    return (
      <SelectField
        label={label}
        hint={field.hint}
        error={error}
        value={value}
        options={field.options.map(([option, text]) => ({ value: option, label: text }))}
        onChange={(event) => onAnswer(event.currentTarget.value)}
      />
    )
  if (field.kind === 'characteristic')
    return (
      <SelectField
        label={label}
        hint={field.hint}
        error={error}
        value={value}
        options={[
          { value: '', label: 'choose …' },
          ...others
            .filter(({ method: { kind } }) => kind === 'boreDiameter' || kind === 'outsideDiameter')
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(event) => onAnswer(event.currentTarget.value)}
      />
    )
  if (field.kind === 'names') return <FormulaNames form={form} others={others} error={error} value={value} onAnswer={onAnswer} />
  return (
    <TextField
      label={label}
      hint={field.hint}
      error={error}
      value={value}
      maxLength={400}
      autoComplete="off"
      onChange={(event) => onAnswer(event.currentTarget.value)}
    />
  )
}

/** For each name in the formula, the result it stands for. */
function FormulaNames({
  form,
  others,
  error,
  value,
  onAnswer,
}: {
  readonly form: TypedForm
  readonly others: LimitBook['characteristics']
  readonly error: string | null
  readonly value: string
  onAnswer(answer: string): void
}) {
  const chosen = new Map(
    value
      .split(';')
      .map((item) => item.split('=').map((half) => half.trim()))
      .flatMap(([name, of]) => (name && of ? [[name, of] as const] : [])),
  )
  const names = namesInFormula(form.answers.formula ?? '')
  const options = others.flatMap((other) =>
    (Object.keys(givesOf(other.method)) as ReductionName[]).map((of) => ({
      value: `${other.id}.${of}`,
      label: `${other.name}: ${reductionLabel[of]}`,
    })),
  )
  return (
    <>
      {names.map((name) => (
        <SelectField
          key={name}
          label={`“${name}” is`}
          value={chosen.get(name) ?? ''}
          options={[{ value: '', label: 'choose …' }, ...options]}
          onChange={(event) => {
            const next = new Map(chosen).set(name, event.currentTarget.value)
            onAnswer(names.flatMap((known) => (next.get(known) ? [`${known} = ${next.get(known)}`] : [])).join('; '))
          }}
        />
      ))}
      <Fault text={error} />
    </>
  )
}
