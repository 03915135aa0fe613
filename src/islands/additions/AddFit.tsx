import type { AdditionOf } from '../../core/notes/additionSchema'
import { isSize } from '../../core/notes/additions'
import { type MateKind, mateKindOf, mateKinds } from '../../core/notes/mates'
import { unitOf } from '../../core/quantity/format'
import { farOff } from '../../core/typed/farOff'
import { mateSideWords } from '../../core/words/additions'
import { fitKindWords, mateChoiceWords } from '../../core/words/fits'
import { say } from '../../labels/additions'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { LimitTable, type LimitTableRow } from '../limitRow/LimitTable'
import styles from './Additions.module.css'
import { SourceFields } from './SourceFields'
import { emptySource, type SourceForm, sourceAsTyped, sourceFaults, sourceOf } from './source'
import { type AddsTo, useAddition } from './useAddition'

interface FitForm extends SourceForm {
  readonly kind: string
  readonly name: string
  readonly sides: Readonly<Record<string, string>>
  readonly figures: Readonly<Record<string, string>>
  readonly choices: Readonly<Record<string, string>>
  readonly mendOn: string
  readonly least: string
  readonly leastPlan: string
  readonly most: string
  readonly mostPlan: string
  readonly whenPassed: 'mend' | 'replace'
}

/** Two sides that must fit each other, and that nobody has written down yet. */
export function AddFit({
  to,
  before = null,
  onDone,
  onClose,
}: {
  readonly to: AddsTo
  readonly before?: { readonly id: string; readonly what: AdditionOf<'fit'> } | null
  onDone(id: string): void
  onClose(): void
}) {
  const { book, system } = to
  const kindOf = (form: FitForm): MateKind => mateKindOf(form.kind) ?? (mateKinds[0] as MateKind)
  const chosenIn = (form: FitForm) =>
    kindOf(form).sides.flatMap(({ key }) => book.characteristics.find(({ id }) => id === form.sides[key]) ?? [])
  const partsIn = (form: FitForm) => [...new Set(chosenIn(form).map(({ part }) => part))]
  const mendOnOf = (form: FitForm): string => {
    const parts = partsIn(form)
    return parts.includes(form.mendOn) ? form.mendOn : (parts[0] ?? '')
  }
  const nameIn = (form: FitForm): string => {
    const names = chosenIn(form).map(({ name }) => name)
    return names.join(' · ').slice(0, 200)
  }
  const whatOf = (form: FitForm): AdditionOf<'fit'> => {
    const kind = kindOf(form)
    const end = (side: 'lower' | 'upper', wear: string, plan: string) =>
      wear.trim() === '' && plan.trim() === '' ? [] : [{ side, wear: wear.trim(), plan: plan.trim() === '' ? null : plan.trim() }]
    return {
      of: 'fit',
      name: form.name.trim() || nameIn(form) || fitKindWords[kind.kind],
      mate: {
        kind: kind.kind,
        sides: Object.fromEntries(kind.sides.map(({ key }) => [key, form.sides[key] || null])),
        figures: Object.fromEntries(
          kind.figures.flatMap(({ key, optional }) => {
            const text = (form.figures[key] ?? '').trim()
            return optional && text === '' ? [] : [[key, text]]
          }),
        ),
        choices: Object.fromEntries(Object.entries(kind.choices).map(([key, of]) => [key, form.choices[key] || (of[0] ?? '')])),
      },
      mendOn: mendOnOf(form),
      limits: [...end('lower', form.least, form.leastPlan), ...end('upper', form.most, form.mostPlan)],
      whenPassed: form.whenPassed,
      instruction: '',
      source: sourceOf(form, book),
    }
  }
  const form = useAddition<FitForm>(to, {
    name: 'fit',
    before,
    start: () =>
      before
        ? asTyped(before.what)
        : {
            kind: 'shaftInBore',
            name: '',
            sides: {},
            figures: {},
            choices: {},
            mendOn: '',
            least: '',
            leastPlan: '',
            most: '',
            mostPlan: '',
            whenPassed: 'mend',
            ...emptySource(book),
          },
    check: (typed) => [...sourceFaults(typed)],
    what: whatOf,
    fieldOf: (fault) => {
      switch (fault.code) {
        case 'side':
          return `sides.${fault.side}`
        case 'choice':
          return `choices.${fault.choice}`
        case 'figure':
          return `figures.${fault.figure}`
        case 'figureBeyond':
          return `figures.${fault.figure}`
        case 'limit': {
          const end = ENDS.find(({ side }) => side === fault.side)
          return fault.at === 'page' ? 'page' : (end?.[fault.at] ?? '')
        }
        case 'endsSwapped':
          return 'most'
        case 'nameTaken':
          return 'name'
        default:
          return ''
      }
    },
    onDone,
  })
  const { value, set, at } = form
  const kind = kindOf(value)
  const unit = unitOf('length', system)
  const parts = partsIn(value)
  const ends = ENDS.map(({ side, wear, plan, name }): LimitTableRow => {
    const texts = { wear: value[wear], plan: value[plan] }
    return {
      key: side,
      of: name,
      head: name,
      unit,
      texts,
      wrong: (cell) => at(cell === 'plan' ? plan : wear),
      far: farOff({ ...texts, newLeast: '' }, 'length', system),
    }
  })
  return (
    <Dialog title={before ? before.what.name : say.addFitTitle} onClose={onClose} wide>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        <fieldset className={styles.group}>
          <legend>{say.sides}</legend>
          <SelectField
            label={say.kind}
            autoFocus
            options={mateKinds.map((one) => ({ value: one.kind, label: fitKindWords[one.kind] }))}
            {...form.field('kind')}
          />
          {kind.sides.map(({ key, takes, optional }) => {
            const options = book.characteristics.filter((one) => isSize(one, takes))
            return (
              <SelectField
                key={key}
                label={mateSideWords[key] ?? key}
                value={value.sides[key] ?? ''}
                error={at(`sides.${key}`)}
                hint={options.length === 0 && !optional ? say.nothingToPair : undefined}
                options={[
                  { value: '', label: optional ? say.notMeasured : say.choose },
                  ...options.map(({ id, name }) => ({ value: id, label: name })),
                ]}
                onChange={(event) => set({ sides: { ...value.sides, [key]: event.currentTarget.value } })}
              />
            )
          })}
          {kind.figures.map(({ key, quantity, optional }) => (
            <TextField
              key={key}
              label={say.inUnit(mateSideWords[key] ?? key, unitOf(quantity, system))}
              hint={optional ? say.leftOut : undefined}
              value={value.figures[key] ?? ''}
              error={at(`figures.${key}`)}
              maxLength={60}
              autoComplete="off"
              onChange={(event) => set({ figures: { ...value.figures, [key]: event.currentTarget.value } })}
            />
          ))}
          {Object.entries(kind.choices).map(([key, of]) => (
            <SelectField
              key={key}
              label={mateSideWords[key] ?? key}
              value={value.choices[key] ?? of[0]}
              error={at(`choices.${key}`)}
              options={of.map((one) => ({ value: one, label: mateChoiceWords(key, one) }))}
              onChange={(event) => set({ choices: { ...value.choices, [key]: event.currentTarget.value } })}
            />
          ))}
          {parts.length > 1 && (
            <SelectField
              label={say.mendOn}
              options={parts.map((id) => ({ value: id, label: book.parts.find((part) => part.id === id)?.name ?? id }))}
              value={mendOnOf(value)}
              onChange={(event) => set({ mendOn: event.currentTarget.value })}
            />
          )}
          <div className={styles.whole}>
            <TextField
              label={say.name}
              hint={say.nameHint}
              placeholder={nameIn(value)}
              maxLength={200}
              autoComplete="off"
              {...form.field('name')}
            />
          </div>
        </fieldset>
        <fieldset className={styles.group}>
          <legend>{say.limits}</legend>
          <div className={styles.whole}>
            <LimitTable
              rows={ends}
              cells={['plan', 'wear']}
              onType={(typed) =>
                set(
                  Object.fromEntries(
                    ENDS.flatMap(({ wear, plan }, row) => {
                      const texts = typed.get(row)
                      return [
                        ...(texts?.wear === undefined ? [] : [[wear, texts.wear]]),
                        ...(texts?.plan === undefined ? [] : [[plan, texts.plan]]),
                      ]
                    }),
                  ),
                )
              }
            />
          </div>
          <SelectField
            label={say.whenPassed}
            options={[
              { value: 'mend', label: say.mend },
              { value: 'replace', label: say.replace },
            ]}
            {...form.field('whenPassed')}
          />
          <SourceFields form={form} book={book} />
        </fieldset>
        <p className={styles.quiet}>{say.twoUnits}</p>
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.leave}</Button>
          <Button kind="primary" type="submit" disabled={form.busy}>
            {before ? say.saveChange : say.addFit}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

/** A fit that was added, as the form asks for it. */
function asTyped({ name, mate, mendOn, limits, whenPassed, source }: AdditionOf<'fit'>): FitForm {
  const end = (side: 'lower' | 'upper') => limits.find((limit) => limit.side === side)
  return {
    kind: mate.kind,
    name,
    sides: Object.fromEntries(Object.entries(mate.sides).map(([key, id]) => [key, id ?? ''])),
    figures: mate.figures,
    choices: mate.choices,
    mendOn,
    least: end('lower')?.wear ?? '',
    leastPlan: end('lower')?.plan ?? '',
    most: end('upper')?.wear ?? '',
    mostPlan: end('upper')?.plan ?? '',
    whenPassed,
    ...sourceAsTyped(source),
  }
}

/** The ends of a clearance, with the fields they are typed into. */
const ENDS = [
  { side: 'lower', wear: 'least', plan: 'leastPlan', name: say.ends.least },
  { side: 'upper', wear: 'most', plan: 'mostPlan', name: say.ends.most },
] as const
