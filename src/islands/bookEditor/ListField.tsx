import { isPlainObject } from '../../core/base/plainObject'
import { blankOf, freeId } from '../../core/book/blank'
import { quantityOfFigure } from '../../core/book/figureKinds'
import { type Path, valueAt } from '../../core/book/path'
import type { Shape } from '../../core/book/shape'
import { bookChoiceName, bookFieldName } from '../../core/words/bookFields'
import { say } from '../../labels/bookEditor'
import { Button } from '../../ui/Button'
import { Fault, TextArea, TextField } from '../../ui/Field'
import styles from './BookEditor.module.css'
import { useEntry } from './context'
import { Tags } from './Tags'
import { asTyped, isPlain, typedValue } from './typedValue'
import { useTyped } from './useTyped'

interface ListProps {
  readonly of: Shape
  readonly path: Path
  readonly label: string
  /** The list may be left out altogether. */
  readonly mayLack: boolean
}

/** A list inside an entry: of names, of choices, of texts a line each, of figures, or of rows. */
export function ListField(props: ListProps) {
  const { named } = useEntry()
  const { of, path } = props
  if (of.kind === 'choice') return <ChoiceList {...props} of={of} />
  if (of.kind === 'number') return <FigureList {...props} />
  if (of.kind === 'text') return named(of.names, [...path, 0]) === null ? <LineList {...props} /> : <NameList {...props} />
  return <RowList {...props} />
}

const itemsAt = (entry: unknown, path: Path): readonly unknown[] => {
  const value = valueAt(entry, path)
  return Array.isArray(value) ? value : []
}
const textsOf = (items: readonly unknown[]): string[] => items.filter((one): one is string => typeof one === 'string')

/** Nothing in a list that may be left out: it is. */
const listOrNone = (items: readonly unknown[], mayLack: boolean) => (items.length === 0 && mayLack ? undefined : items)

function NameList({ of, path, label, mayLack }: ListProps) {
  const { entry, write, says, named } = useEntry()
  const items = textsOf(itemsAt(entry, path))
  const known = named(of.kind === 'text' ? of.names : null, [...path, 0]) ?? []
  return (
    <Tags
      label={label}
      place={path.join('/')}
      error={says(path) ?? firstFault(items, path, says)}
      chosen={items.map((id) => ({ id, name: known.find((one) => one.id === id)?.name ?? say.unknownEntry(id) }))}
      known={known}
      onChange={(ids) => write(path, listOrNone(ids, mayLack))}
    />
  )
}

function ChoiceList({ of, path, label, mayLack }: ListProps & { readonly of: Extract<Shape, { kind: 'choice' }> }) {
  const { list, entry, write, says } = useEntry()
  const items = textsOf(itemsAt(entry, path))
  const nameOf = (id: string) => ({ id, name: bookChoiceName(list, path, id) })
  return (
    <Tags
      label={label}
      place={path.join('/')}
      error={says(path) ?? firstFault(items, path, says)}
      chosen={items.map(nameOf)}
      known={of.of.map(nameOf)}
      onChange={(ids) => write(path, listOrNone(ids, mayLack))}
    />
  )
}

const firstFault = (items: readonly unknown[], path: Path, says: (path: Path) => string | null): string | null =>
  items.map((_, at) => says([...path, at])).find((one) => one !== null) ?? null

const LINE = /\n/
const BETWEEN = /;/
/** What stands between these signs, without what is empty. */
const partsOf = (text: string, between: RegExp): string[] =>
  text
    .split(between)
    .map((one) => one.trim())
    .filter((one) => one !== '')

function LineList({ path, label, mayLack }: ListProps) {
  const { entry, write, says } = useEntry()
  const items = textsOf(itemsAt(entry, path))
  const { text, type, flush } = useTyped(items.join('\n'), (typed) => write(path, listOrNone(partsOf(typed, LINE), mayLack)))
  return (
    <TextArea
      label={label}
      hint={say.onePerLine}
      error={says(path) ?? firstFault(items, path, says)}
      rows={2}
      value={text}
      data-path={path.join('/')}
      onBlur={flush}
      onChange={({ currentTarget }) => type(currentTarget.value)}
    />
  )
}

function FigureList({ of, path, label, mayLack }: ListProps) {
  const { list, entry, system, write, says } = useEntry()
  const items = itemsAt(entry, path)
  const field = { shape: of, empty: 'asked' } as const
  const quantity = quantityOfFigure(of.kind === 'number' ? of.figure : null, list, entry, [...path, 0])
  const { text, type, flush } = useTyped(items.map((one) => asTyped(field, one, quantity, system)).join('; '), (typed) =>
    write(
      path,
      listOrNone(
        partsOf(typed, BETWEEN).map((one) => typedValue(field, one, { quantity, system, classOf: null })),
        mayLack,
      ),
    ),
  )
  return (
    <TextField
      label={label}
      hint={say.separated}
      error={says(path) ?? firstFault(items, path, says)}
      value={text}
      autoComplete="off"
      data-path={path.join('/')}
      onBlur={flush}
      onChange={({ currentTarget }) => type(currentTarget.value)}
    />
  )
}

/** So many plain fields stand beside each other in a row of a table; more make a block each. */
const MOST_IN_ROW = 4

function RowList({ of, path, label, mayLack }: ListProps) {
  const { list, entry, write, says, parts } = useEntry()
  const { FieldView, ShapeView, Varieties } = parts
  const items = itemsAt(entry, path)
  const fields = of.kind === 'group' ? of.fields : []
  const isTable = of.kind === 'group' && fields.length <= MOST_IN_ROW && fields.every(isPlain)
  const add = (): void => write(path, [...items, newRow(of, items)])
  const takeOut = (at: number): void => write(path, listOrNone(items.toSpliced(at, 1), mayLack))
  return (
    <fieldset className={styles.rows} data-path={path.join('/')} tabIndex={-1}>
      <legend>{label}</legend>
      <Fault text={says(path)} />
      {items.map((item, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: what is being written may not have its id yet
        <div key={at} className={isTable ? styles.row : styles.block}>
          {isTable ? (
            fields.map((field) => <FieldView key={field.key} field={field} path={[...path, at]} />)
          ) : of.kind === 'oneOf' ? (
            <Varieties shape={of} path={[...path, at]} />
          ) : of.kind === 'group' ? (
            fields.map((field) => <FieldView key={field.key} field={field} path={[...path, at]} />)
          ) : (
            <ShapeView shape={of} path={[...path, at]} label={bookFieldName(list, path)} empty="asked" />
          )}
          <Fault text={says([...path, at])} />
          <div className={styles.rowActions}>
            <Button kind="quiet" onClick={() => takeOut(at)} aria-label={say.takeOf(label, nameOfRow(item, at))}>
              {say.takeOut}
            </Button>
          </div>
        </div>
      ))}
      <Button onClick={add} aria-label={say.addTo(label)}>
        {say.addRow}
      </Button>
    </fieldset>
  )
}

const nameOfRow = (item: unknown, at: number): string => {
  const { name, label, id } = isPlainObject(item) ? item : {}
  return String([name, label, id].find((one) => typeof one === 'string' && one !== '') ?? at + 1)
}

/** A row with an id of its own, where rows have one. */
function newRow(of: Shape, items: readonly unknown[]): unknown {
  const blank = blankOf(of)
  if (!isPlainObject(blank) || !('id' in blank)) return blank
  const taken = new Set(items.filter(isPlainObject).map(({ id }) => String(id)))
  return { ...blank, id: freeId(String(items.length + 1), taken) }
}
