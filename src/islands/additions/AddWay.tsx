import type { Part } from '../../core/book/bookSchema'
import { quantityOf } from '../../core/method/gives'
import type { Addition, AdditionOf } from '../../core/notes/additionSchema'
import { type AdditionFault, matesOf } from '../../core/notes/additions'
import { unitOf } from '../../core/quantity/format'
import { say } from '../../labels/additions'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './Additions.module.css'
import { SourceFields } from './SourceFields'
import { emptySource, type SourceForm, sourceAsTyped, sourceFaults, sourceOf } from './source'
import { type AddsTo, useAddition } from './useAddition'

type RuleKind = AdditionOf<'rule'>['rule']['kind']

interface WayForm extends SourceForm {
  readonly what: 'route' | RuleKind
  readonly name: string
  readonly mends: readonly string[]
  readonly effect: string
  readonly leavesOf: string
  readonly leavesLeast: string
  readonly leavesMost: string
  readonly cleanUp: string
  /** Fits and rings whose mate is made to suit. */
  readonly suits: readonly string[]
  readonly mostOff: string
  readonly finish: string
  readonly cost: string
  readonly days: string
  readonly count: string
}

/** Least and most of the figure that a rule counts by. */
const COUNTS: Readonly<Partial<Record<RuleKind, { readonly label: string; readonly least: number; readonly most: number }>>> = {
  everyNth: { label: say.nth, least: 2, most: 20 },
  afterHours: { label: say.hours, least: 1, most: 1_000_000 },
  afterStarts: { label: say.starts, least: 1, most: 10_000_000 },
}

/** An amount as typed: null where nothing stands there, NaN where it is none. */
const amount = (text: string): number | null =>
  text.trim() === '' ? null : /^\d+(?:[.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : Number.NaN

/** A way to recondition a part, or when it is renewed, that nobody has written down yet. */
export function AddWay({
  to,
  part,
  before = null,
  start = null,
  isRoute = false,
  onDone,
  onClose,
}: {
  readonly to: AddsTo
  readonly part: Part
  readonly before?: { readonly id: string; readonly what: AdditionOf<'route'> | AdditionOf<'rule'> } | null
  /** What another one begins with: the step before it. */
  readonly start?: AdditionOf<'route'> | null
  /** Only ways back are asked for, no rules of when it is renewed. */
  readonly isRoute?: boolean
  onDone(id: string): void
  onClose(): void
}) {
  const { book } = to
  const measured = book.characteristics.filter((one) => one.part === part.id)
  const inUnit = (label: string): string => say.inUnit(label, unitOf('length', to.system))
  const sizes = measured.filter(({ method }) => quantityOf(method) === 'length')
  // Only what runs against the size that is left is made to suit it.
  const suitsOf = (typed: WayForm): string[] =>
    leavesSize(typed) ? matesOf(book, typed.leavesOf).flatMap(({ id }) => (typed.suits.includes(id) ? [id] : [])) : []
  const whatOf = (typed: WayForm): Addition => {
    const source = sourceOf(typed, book)
    if (typed.what === 'route')
      return {
        of: 'route',
        part: part.id,
        name: typed.name.trim(),
        mends: measured.map(({ id }) => id).filter((id) => typed.mends.includes(id)),
        ...(isEffect(typed.effect) ? { effect: typed.effect } : {}),
        ...(leavesSize(typed)
          ? {
              leaves: {
                of: typed.leavesOf,
                least: typed.leavesLeast.trim(),
                greatest: typed.leavesMost.trim(),
                cleanUp: typed.cleanUp.trim() || '0',
              },
            }
          : {}),
        ...(suitsOf(typed).length > 0 ? { suits: suitsOf(typed) } : {}),
        ...(typed.mostOff.trim() === '' ? {} : { mostOff: typed.mostOff.trim() }),
        ...(typed.finish.trim() === '' ? {} : { finish: typed.finish.trim() }),
        cost: amount(typed.cost),
        days: amount(typed.days),
        source,
      }
    return { of: 'rule', part: part.id, rule: ruleOf(typed.what, Number(typed.count.trim())), source }
  }
  const form = useAddition<WayForm>(to, {
    name: `way ${part.id}`,
    before,
    start: () =>
      (before ?? start)
        ? asTyped(before?.what ?? (start as AdditionOf<'route'>))
        : {
            what: measured.length > 0 ? 'route' : 'always',
            name: '',
            mends: measured.map(({ id }) => id),
            ...NO_SIZE,
            leavesOf: sizes[0]?.id ?? '',
            cost: '',
            days: '',
            count: '',
            ...emptySource(book),
          },
    check: (typed) => [
      ...(typed.what === 'route' ? routeFaults(typed) : countFaults(typed.what, typed.count)),
      ...sourceFaults(typed),
    ],
    what: whatOf,
    fieldOf: (fault) => FIELDS[fault.code] ?? ('figure' in fault ? fault.figure : ''),
    onDone,
  })
  const { value, set, at } = form
  const mates = matesOf(book, value.leavesOf)
  const count = value.what === 'route' ? undefined : COUNTS[value.what]
  return (
    <Dialog title={isRoute ? say.routeTitle(part.name) : say.addWayTitle(part.name)} onClose={onClose} wide>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        <div className={styles.group}>
          {!isRoute && (
            <SelectField
              label={say.whatIsIt}
              autoFocus
              options={[
                ...(measured.length > 0 ? [{ value: 'route', label: say.aRoute }] : []),
                ...Object.entries(say.rules).map(([kind, label]) => ({ value: kind, label })),
              ]}
              {...form.field('what')}
            />
          )}
          {value.what === 'route' && (
            <>
              <TextField label={say.way} hint={say.wayHint} maxLength={200} autoComplete="off" {...form.field('name')} />
              <SelectField
                label={say.effect}
                options={[
                  { value: '', label: say.chooseEffect },
                  ...Object.entries(say.effects).map(([effect, label]) => ({ value: effect, label })),
                ]}
                {...form.field('effect')}
              />
              <TextField
                label={say.cost(book.currency)}
                hint={say.notKnown}
                inputMode="decimal"
                maxLength={12}
                {...form.field('cost')}
              />
              <TextField label={say.days} hint={say.notKnown} inputMode="decimal" maxLength={8} {...form.field('days')} />
            </>
          )}
          {count && <TextField label={count.label} inputMode="numeric" maxLength={9} {...form.field('count')} />}
        </div>
        {value.what === 'route' && (
          <fieldset className={styles.group}>
            <legend>{say.mends}</legend>
            <div className={`${styles.ticks} ${styles.whole}`}>
              {measured.map(({ id, name }) => (
                <label key={id}>
                  <input
                    type="checkbox"
                    checked={value.mends.includes(id)}
                    onChange={() => set({ mends: toggled(value.mends, id) })}
                  />
                  {name}
                </label>
              ))}
            </div>
            <Fault text={at('mends')} />
          </fieldset>
        )}
        {value.what === 'route' && sizes.length > 0 && (
          <fieldset className={styles.group}>
            <legend>{say.leaves}</legend>
            <SelectField
              label={say.leavesOf}
              options={sizes.map(({ id, name }) => ({ value: id, label: name }))}
              {...form.field('leavesOf')}
            />
            <TextField label={inUnit(say.leavesLeast)} hint={say.leavesHint} maxLength={40} {...form.field('leavesLeast')} />
            <TextField label={inUnit(say.leavesMost)} maxLength={40} {...form.field('leavesMost')} />
            <TextField label={inUnit(say.cleanUp)} maxLength={40} {...form.field('cleanUp')} />
            <TextField label={inUnit(say.mostOff)} hint={say.notKnown} maxLength={40} {...form.field('mostOff')} />
            <TextField label={say.finish} hint={say.finishHint} maxLength={80} {...form.field('finish')} />
            {mates.length > 0 && leavesSize(value) && (
              <div className={`${styles.ticks} ${styles.whole}`}>
                <p>{say.suits}</p>
                {mates.map(({ id, name }) => (
                  <label key={id}>
                    <input
                      type="checkbox"
                      checked={value.suits.includes(id)}
                      onChange={() => set({ suits: toggled(value.suits, id) })}
                    />
                    {name}
                  </label>
                ))}
              </div>
            )}
          </fieldset>
        )}
        <div className={styles.group}>
          <SourceFields form={form} book={book} />
        </div>
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.leave}</Button>
          <Button kind="primary" type="submit" disabled={form.busy}>
            {before ? say.saveChange : say.add}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

const toggled = (ids: readonly string[], id: string): readonly string[] =>
  ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]

/** What was added, as the form asks for it. */
function asTyped(what: AdditionOf<'route'> | AdditionOf<'rule'>): WayForm {
  const blank = { name: '', mends: [], ...NO_SIZE, cost: '', days: '', count: '', ...sourceAsTyped(what.source) }
  if (what.of === 'route')
    return {
      ...blank,
      what: 'route',
      name: what.name,
      mends: what.mends,
      effect: what.effect ?? '',
      ...(what.leaves
        ? {
            leavesOf: what.leaves.of,
            leavesLeast: what.leaves.least,
            leavesMost: what.leaves.greatest,
            cleanUp: what.leaves.cleanUp,
          }
        : { leavesOf: what.mends[0] ?? '' }),
      suits: what.suits ?? [],
      mostOff: what.mostOff ?? '',
      finish: what.finish ?? '',
      cost: what.cost === null ? '' : String(what.cost),
      days: what.days === null ? '' : String(what.days),
    }
  const { rule } = what
  const count = 'nth' in rule ? rule.nth : 'hours' in rule ? rule.hours : 'starts' in rule ? rule.starts : null
  return { ...blank, what: rule.kind, count: count === null ? '' : String(count) }
}

const NO_SIZE = { effect: '', leavesOf: '', leavesLeast: '', leavesMost: '', cleanUp: '', mostOff: '', finish: '', suits: [] }

/** The field a fault of the core belongs to. */
const FIELDS: Readonly<Partial<Record<AdditionFault['code'], keyof WayForm>>> = {
  nameTaken: 'name',
  ruleTwice: 'what',
  sizesSwapped: 'leavesLeast',
  takesOffToNew: 'leavesLeast',
  mostOffWhat: 'mostOff',
  suitsNothing: 'leavesLeast',
}

const isEffect = (text: string): text is NonNullable<AdditionOf<'route'>['effect']> => text in say.effects

const leavesSize = ({ leavesLeast, leavesMost, cleanUp }: WayForm): boolean =>
  [leavesLeast, leavesMost, cleanUp].some((text) => text.trim() !== '')

function routeFaults(typed: WayForm) {
  const { name, mends, effect, leavesLeast, leavesMost, cost, days } = typed
  const wrong = (text: string): boolean => Number.isNaN(amount(text) ?? 0)
  return [
    ...(name.trim() === '' ? [{ at: 'name', says: say.nameWay }] : []),
    ...(isEffect(effect) ? [] : [{ at: 'effect', says: say.sayEffect }]),
    ...(leavesSize(typed) && (leavesLeast.trim() === '' || leavesMost.trim() === '')
      ? [{ at: 'leavesLeast', says: say.allThree }]
      : []),
    ...(wrong(cost) ? [{ at: 'cost', says: say.amount }] : []),
    ...(wrong(days) ? [{ at: 'days', says: say.amount }] : []),
    ...(mends.length === 0 ? [{ at: 'mends', says: say.chooseMends }] : []),
  ]
}

function countFaults(kind: RuleKind, text: string) {
  const count = COUNTS[kind]
  if (!count) return []
  const figure = /^\d+$/.test(text.trim()) ? Number(text.trim()) : -1
  return figure < count.least || figure > count.most ? [{ at: 'count', says: say.wholeFrom(count.least, count.most) }] : []
}

function ruleOf(kind: RuleKind, count: number): AdditionOf<'rule'>['rule'] {
  switch (kind) {
    case 'everyNth':
      return { kind, nth: count }
    case 'afterHours':
      return { kind, hours: count }
    case 'afterStarts':
      return { kind, starts: count }
    default:
      return { kind }
  }
}
