import { useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { LimitBook } from '../../core/book/bookSchema'
import type { Gauge } from '../../core/gauge/gauge'
import { type GaugeKind, gaugeKindFacts, gaugeKinds } from '../../core/gauge/gaugeKinds'
import { quantityOf } from '../../core/method/gives'
import type { MethodKind } from '../../core/method/method'
import { needsOf } from '../../core/method/needs'
import { setUpOf, usualGaugeOf } from '../../core/method/setUp/setUp'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { typedFaults } from '../../core/notes/typedCharacteristic'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { isNeverSet } from '../../core/setting/setting'
import { usualStep } from '../../core/typed/usual'
import { gaugeKindName } from '../../core/words/gauges'
import { methodName } from '../../core/words/methods'
import { typedFaultWords } from '../../core/words/typedFaults'
import { say } from '../../labels/limits'
import type { Told } from '../../sync/outbox'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { MethodSketch } from '../../ui/methodSketch/MethodSketch'
import { useKeptForm } from '../forms/useKeptForm'
import { SettingFields } from '../limitRow/SettingFields'
import { LimitRows } from './LimitRows'
import styles from './Limits.module.css'
import { SetUpAnswer } from './SetUpAnswer'
import { emptyForm, formOf, methodOf, sameFor, type TypedForm, typedFigures, typedOf } from './typedForm'

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
  // One id each: pressing twice writes one characteristic.
  const [ids] = useState(() => ({
    characteristic: before?.id ?? `t-${v7()}`,
    part: `t-${v7()}`,
    more: book.parts.map(() => `t-${v7()}`),
  }))
  const alsoFor = (typed: TypedForm): LimitBook['parts'] =>
    book.parts.filter(({ id }) => id !== typed.part && typed.alsoFor.includes(id))
  const resolutionsOf = ({ gaugeKind, kind }: TypedForm): readonly number[] => {
    const wanted = gaugeKind === '' ? usualGaugeOf(kind) : gaugeKind
    return props.gauges.filter((gauge) => gauge.kind === wanted).map(({ resolution }) => resolution)
  }
  const read = (typed: TypedForm) =>
    typedOf(typed, { id: ids.characteristic, before, book, system, newPart: ids.part, resolutions: resolutionsOf(typed) })
  // What is typed survives a reload and a closed dialog, until it is written.
  const kept = useKeptForm<TypedForm>({
    key: `medida-form:${props.jobId}:type:${before?.id ?? 'new'}`,
    start: () => (before ? formOf(before) : emptyForm(book, props.typed.at(-1))),
    check: (typed) => {
      const value = read(typed)
      if (!value.ok) return value.fault
      // What is measured alike elsewhere must be able to stand there too.
      return alsoFor(typed).flatMap((part) =>
        typedFaults(`${ids.characteristic}-also`, sameFor(value.value, { name: value.value.part.name }, part), book, system)
          .slice(0, 1)
          .map((fault) => ({ at: '', says: `${part.name}: ${typedFaultWords(fault)}` })),
      )
    },
    send: async (typed) => {
      const value = read(typed)
      if (!value.ok) return value.fault
      const more = alsoFor(typed).map(
        (part, index): EntryBody => ({
          kind: 'characteristicTyped',
          characteristic: ids.more[index] ?? `t-${v7()}`,
          value: sameFor(value.value, { name: value.value.part.name }, part),
        }),
      )
      const fate = await props.write(
        { kind: 'characteristicTyped', characteristic: ids.characteristic, value: value.value },
        ...more,
      )
      if (fate.kind === 'refused') return [{ at: '', says: fate.message }]
      kept.done()
      props.onDone(ids.characteristic)
      return []
    },
  })
  const { value: form, set, at } = kept
  const method = useMemo(() => methodOf(form, before, system), [form, before, system])
  const known = book.parts.some(({ id }) => id === form.part)
  const others = book.characteristics.filter(({ id }) => id !== ids.characteristic)
  const documents = book.documents.filter(({ id }) => id !== form.document)

  const resolutions = resolutionsOf(form)

  const formRef = useRef<HTMLFormElement>(null)
  const wrong = kept.wrong
  // The field at fault may be out of sight in a long form.
  useEffect(() => {
    if (wrong > 0)
      formRef.current?.querySelector<HTMLElement>('[data-invalid] input, [data-invalid] select, [aria-invalid="true"]')?.focus()
  }, [wrong])

  return (
    <Dialog title={before ? say.typeAnewOf(before.value.name) : say.measureSomethingNo} onClose={props.onClose} wide>
      <form ref={formRef} className={styles.form} onSubmit={kept.submit} noValidate>
        <fieldset className={styles.group}>
          <legend>{say.what}</legend>
          <SelectField
            label={say.part}
            value={form.part}
            options={[...book.parts.map(({ id, name }) => ({ value: id, label: name })), { value: '', label: say.anotherPart }]}
            onChange={(event) => set({ part: event.currentTarget.value })}
          />
          <TextField
            label={say.whatMeasured}
            value={form.name}
            error={at('name')}
            maxLength={200}
            autoComplete="off"
            onChange={(event) => set({ name: event.currentTarget.value })}
          />
          {!known && (
            <>
              <TextField
                label={say.namePart}
                value={form.partName}
                error={at('partName')}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ partName: event.currentTarget.value })}
              />
              <TextField
                label={say.assembly}
                hint={say.whatBelongsPump}
                value={form.assembly}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ assembly: event.currentTarget.value })}
              />
              <TextField
                label={say.whereSits}
                hint={say.driveSideUnit}
                value={form.position}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ position: event.currentTarget.value })}
              />
              <SelectField
                label={say.sitsIn}
                value={form.sitsIn}
                options={[
                  { value: '', label: say.machineItself },
                  ...book.positions.map(({ id, name }) => ({ value: id, label: name })),
                ]}
                onChange={(event) => set({ sitsIn: event.currentTarget.value })}
              />
            </>
          )}
        </fieldset>
        <fieldset className={styles.group}>
          <legend>{say.how}</legend>
          <SelectField
            label={say.method}
            value={form.kind}
            disabled={props.measured}
            hint={props.measured ? say.hasReadingsSo : ''}
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
            label={say.taken}
            value={form.gaugeKind === '' ? usualGaugeOf(form.kind) : form.gaugeKind}
            options={gaugeKinds
              .filter((kind) => !method.ok || kind === 'eye' || gaugeKindFacts[kind].quantity === quantityOf(method.value))
              .map((kind) => ({ value: kind, label: gaugeKindName[kind] }))}
            onChange={(event) => set({ gaugeKind: event.currentTarget.value as GaugeKind })}
          />
          <TextField
            label={say.read}
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
        {before === null && method.ok && needsOf(method.value).length === 0 && book.parts.some(({ id }) => id !== form.part) && (
          <details>
            <summary>
              {say.alsoFor} <span className="figure">{form.alsoFor.length}</span>
            </summary>
            <div className={styles.also}>
              {book.parts
                .filter(({ id }) => id !== form.part)
                .map(({ id, name }) => (
                  <label key={id} className={styles.tick}>
                    <input
                      type="checkbox"
                      checked={form.alsoFor.includes(id)}
                      onChange={(event) =>
                        set({
                          alsoFor: event.currentTarget.checked ? [...form.alsoFor, id] : form.alsoFor.filter((one) => one !== id),
                        })
                      }
                    />
                    {name}
                  </label>
                ))}
            </div>
          </details>
        )}
        <fieldset className={styles.group}>
          <legend>{say.fromManual}</legend>
          <label className={styles.tick}>
            <input type="checkbox" checked={form.isOwn} onChange={(event) => set({ isOwn: event.currentTarget.checked })} />
            {say.noDocument}
          </label>
          {!form.isOwn && (
            <>
              <TextField
                label={say.document}
                hint={say.shortNameNumber}
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
                label={say.title}
                value={form.documentTitle}
                maxLength={200}
                autoComplete="off"
                onChange={(event) => set({ documentTitle: event.currentTarget.value })}
              />
              <TextField
                label={say.revisionTitle}
                value={form.documentRevision}
                maxLength={40}
                autoComplete="off"
                onChange={(event) => set({ documentRevision: event.currentTarget.value })}
              />
            </>
          )}
          <label className={styles.tick}>
            <input type="checkbox" checked={form.safety} onChange={(event) => set({ safety: event.currentTarget.checked })} />
            {say.safetyMarkedDeparting}
          </label>
        </fieldset>
        {form.kind !== 'visualCheck' && form.kind !== 'contactPattern' && form.kind !== 'elementPattern' && (
          <fieldset className={styles.group}>
            <legend>{say.newSizeWhere}</legend>
            {(
              [
                ['newLower', say.leastTitle],
                ['newUpper', say.greatest],
                ['newNominal', say.nominal],
                ['newPage', say.page],
              ] as const
            ).map(([key, label]) => (
              <TextField
                key={key}
                label={key === 'newPage' || !method.ok ? label : `${label}, ${unitOf(quantityOf(method.value), system)}`}
                value={form[key]}
                hint={key === 'newLower' && method.ok && quantityOf(method.value) === 'length' ? say.classGivesBoth : undefined}
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
          newLeast={form.newLower}
          system={system}
          at={at}
          onChange={(limits) => set({ limits })}
        />
        {!isNeverSet(form.kind) && (
          <fieldset className={styles.group}>
            <legend>{say.wearOrSetting}</legend>
            <label className={styles.tick}>
              <input
                type="checkbox"
                checked={form.setting === null}
                onChange={({ currentTarget }) =>
                  set({
                    setting: currentTarget.checked
                      ? null
                      : { is: 'setting', by: 'shims', chain: known ? [form.part] : [ids.part] },
                  })
                }
              />
              {say.asUsual}
            </label>
            {form.setting && (
              <SettingFields
                value={form.setting}
                parts={known ? book.parts : [...book.parts, { id: ids.part, name: form.partName || say.thisPart }]}
                onChange={(setting) => set({ setting })}
              />
            )}
          </fieldset>
        )}
        <p className={styles.waits}>
          {say.figuresTakeUnit} <span className="figure">{say.n035Mm}</span>, <span className="figure">{say.n14Thou}</span>,{' '}
          <span className="figure">{say.n212}</span>
          {say.whatTypedHere}
        </p>
        <Fault text={kept.fault} />
        <DialogActions>
          <Button onClick={props.onClose}>{say.leave}</Button>
          <Button kind="primary" type="submit" disabled={kept.busy}>
            {before ? say.typeAnew : say.measure}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
