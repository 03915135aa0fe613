import { useState } from 'react'
import { type GaugeKind, gaugeKinds } from '../../core/gauge/gaugeKinds'
import type { AdditionOf } from '../../core/notes/additionSchema'
import { gaugeKindName } from '../../core/words/gauges'
import { say } from '../../labels/additions'
import { say as plan } from '../../labels/plan'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './Additions.module.css'
import { type AddsTo, useAddition } from './useAddition'

type Group = AdditionOf<'need'>['group']

const GROUPS: readonly { readonly value: Group; readonly label: string }[] = [
  { value: 'tools', label: plan.specialTools },
  { value: 'gauges', label: plan.gauges },
  { value: 'consumables', label: plan.consumables },
  { value: 'safety', label: plan.safetyGear },
  { value: 'people', label: plan.people },
]

/** Kinds of gauges that are fetched. */
const KINDS = gaugeKinds.filter((kind) => kind !== 'eye').map((value) => ({ value, label: gaugeKindName[value] }))
const FIRST_KIND: GaugeKind = KINDS[0]?.value ?? 'eye'

interface NeedForm {
  readonly group: Group
  readonly name: string
  readonly quantity: string
  readonly gaugeKind: GaugeKind
}

/** A line that the list to lay out does not have. */
export function AddNeed({ to }: { readonly to: AddsTo }) {
  const [times, setTimes] = useState(0)
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <Button kind="quiet" onClick={() => setOpen(true)}>
        + {say.addNeed}
      </Button>
    )
  const close = (): void => {
    setTimes(times + 1)
    setOpen(false)
  }
  return <NeedFields key={times} to={to} onDone={close} />
}

export function NeedFields({
  to,
  before = null,
  onDone,
}: {
  readonly to: AddsTo
  readonly before?: { readonly id: string; readonly what: AdditionOf<'need'> } | null
  onDone(): void
}) {
  const form = useAddition<NeedForm>(to, {
    name: 'need',
    before,
    start: () => ({ gaugeKind: FIRST_KIND, ...(before?.what ?? { group: 'tools', name: '', quantity: '' }) }),
    check: ({ name }) => (name.trim() === '' ? [{ at: 'name', says: say.nameIt }] : []),
    what: ({ group, name, quantity, gaugeKind }) => ({
      of: 'need',
      group,
      name: name.trim(),
      quantity: group === 'consumables' ? quantity.trim() : '',
      ...(group === 'gauges' ? { gaugeKind } : {}),
    }),
    fieldOf: ({ code }) => (code === 'nameTaken' ? 'name' : ''),
    onDone,
  })
  return (
    <form className={styles.group} onSubmit={form.submit} noValidate>
      <TextField label={say.need} maxLength={200} autoFocus autoComplete="off" {...form.field('name')} />
      <SelectField label={say.group} options={GROUPS} {...form.field('group')} />
      {form.value.group === 'gauges' && <SelectField label={say.gaugeKind} options={KINDS} {...form.field('gaugeKind')} />}
      {form.value.group === 'consumables' && <TextField label={say.quantity} maxLength={40} {...form.field('quantity')} />}
      <div className={styles.whole}>
        <Fault text={form.fault} />
        <Button kind="primary" type="submit" disabled={form.busy}>
          {before ? say.saveChange : say.add}
        </Button>{' '}
        <Button onClick={onDone}>{say.leave}</Button>
      </div>
    </form>
  )
}
