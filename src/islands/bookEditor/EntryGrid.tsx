import { type KeyboardEvent, memo, useRef } from 'react'
import { type Entry, idOf } from '../../core/book/edits'
import { classEndAt, quantityOfFigure } from '../../core/book/figureKinds'
import { type Path, valueAt } from '../../core/book/path'
import type { Field, ListFields } from '../../core/book/shape'
import { unitOf } from '../../core/quantity/format'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { bookChoiceName, bookFieldName } from '../../core/words/bookFields'
import type { BookLine } from '../../core/words/bookFile'
import { say } from '../../labels/bookEditor'
import { RowGap } from '../../ui/dataTable/RowGap'
import { useRowWindow } from '../../ui/dataTable/useRowWindow'
import styles from './BookEditor.module.css'
import { nameOfEntry } from './context'
import type { EntryFaults } from './entryFaults'
import { asTyped, isPlain, noneOf, typedValue } from './typedValue'
import type { BookEdit } from './useBookEdit'
import { useTyped } from './useTyped'

const ROW_PX = 41

interface GridProps {
  readonly edit: BookEdit
  readonly list: string
  readonly shape: ListFields['entry']
  readonly entries: readonly Entry[]
  readonly faults: EntryFaults | undefined
}

/** A field of every entry that a cell has room for. */
interface GridColumn {
  readonly path: Path
  readonly field: Field
}

/** What all entries of a list have: plain fields, and those of a block that stands in each. */
function columnsOf(shape: ListFields['entry']): readonly GridColumn[] {
  const fields = shape.kind === 'group' ? shape.fields : (shape.of[0]?.fields ?? []).filter(isInAll(shape))
  return fields
    .filter(({ key }) => key !== 'id')
    .flatMap((field): GridColumn[] => {
      if (isPlain(field)) return [{ path: [field.key], field }]
      if (field.shape.kind !== 'group') return []
      return field.shape.fields.filter(isPlain).map((inner) => ({ path: [field.key, inner.key], field: inner }))
    })
}
const isInAll =
  ({ of }: Extract<ListFields['entry'], { kind: 'oneOf' }>) =>
  (field: Field): boolean =>
    of.every(({ fields }) => fields.some(({ key }) => key === field.key))

/** The entries of a list, a row each. */
export function EntryGrid({ edit, list, shape, entries, faults }: GridProps) {
  const table = useRef<HTMLTableElement>(null)
  const columns = columnsOf(shape)
  const lines = useRowWindow(table, entries.map(idOf), ROW_PX)
  const onKeyDown = (event: KeyboardEvent): void => {
    const field = event.target as HTMLElement
    const by = event.key === 'Enter' ? (event.shiftKey ? -1 : 1) : { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (by === undefined || field.dataset.row === undefined || (field instanceof HTMLSelectElement && event.key !== 'Enter'))
      return
    const next = table.current?.querySelector<HTMLElement>(
      `[data-row="${Number(field.dataset.row) + by}"][data-column="${field.dataset.column}"]`,
    )
    if (!next) return
    event.preventDefault()
    next.focus()
  }
  return (
    <div className={styles.gridBox}>
      <table
        ref={table}
        className={styles.grid}
        onKeyDown={onKeyDown}
        aria-rowcount={lines.isPart ? entries.length + 1 : undefined}
      >
        <thead>
          <tr>
            <th scope="col">{bookFieldName(list, ['id'])}</th>
            {columns.map(({ path }) => (
              <th scope="col" key={path.join('/')}>
                {bookFieldName(list, path)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <RowGap px={lines.before} columns={columns.length + 1} />
          {lines.drawn.flatMap((at) => {
            const entry = entries[at]
            if (!entry) return []
            return [
              <GridRow
                key={idOf(entry)}
                at={at}
                list={list}
                entry={entry}
                columns={columns}
                system={edit.view.units}
                faults={faults?.get(idOf(entry))}
                write={edit.write}
              />,
            ]
          })}
          <RowGap px={lines.after} columns={columns.length + 1} />
        </tbody>
      </table>
    </div>
  )
}

interface RowProps {
  readonly at: number
  readonly list: string
  readonly entry: Entry
  readonly columns: readonly GridColumn[]
  readonly system: UnitSystem
  readonly faults: readonly BookLine[] | undefined
  readonly write: BookEdit['write']
}

const GridRow = memo(
  function GridRow({ at, list, entry, columns, system, faults, write }: RowProps) {
    const name = nameOfEntry(entry)
    return (
      <tr aria-rowindex={at + 2}>
        <th scope="row" className="figure">
          {idOf(entry)}
        </th>
        {columns.map(({ path, field }) => (
          <td key={path.join('/')}>
            {valueAt(entry, path.slice(0, -1)) !== undefined && valueAt(entry, path.slice(0, -1)) !== null && (
              <GridCell
                place={{ 'data-row': at, 'data-column': path.join('/') }}
                label={`${name}, ${bookFieldName(list, path)}`}
                list={list}
                entry={entry}
                path={path}
                field={field}
                system={system}
                error={faults?.find((line) => line.path.join('/') === path.join('/'))?.says ?? null}
                write={(value) => write(list, idOf(entry), path, value)}
              />
            )}
          </td>
        ))}
      </tr>
    )
  },
  (was, is) => was.entry === is.entry && was.faults === is.faults && was.at === is.at && was.columns.length === is.columns.length,
)

interface CellProps {
  readonly place: { readonly 'data-row': number; readonly 'data-column': string }
  readonly label: string
  readonly list: string
  readonly entry: Entry
  readonly path: Path
  readonly field: Field
  readonly system: UnitSystem
  readonly error: string | null
  readonly write: (value: unknown) => void
}

function GridCell({ place, label, list, entry, path, field, system, error, write }: CellProps) {
  const value = valueAt(entry, path)
  const { shape, empty } = field
  const shared = { ...place, 'aria-label': label, 'aria-invalid': error ? true : undefined, title: error ?? undefined }
  if (shape.kind === 'flag')
    return (
      <input
        {...shared}
        type="checkbox"
        checked={value === true}
        onChange={({ currentTarget: { checked } }) => write(checked || (empty === 'absent' ? undefined : false))}
      />
    )
  if (shape.kind === 'choice')
    return (
      <select
        {...shared}
        value={typeof value === 'string' ? value : ''}
        onChange={({ currentTarget }) => write(currentTarget.value === '' ? noneOf(field) : currentTarget.value)}
      >
        <option value="">{empty === 'asked' ? say.choose : '–'}</option>
        {shape.of.map((one) => (
          <option key={one} value={one}>
            {bookChoiceName(list, path, one)}
          </option>
        ))}
      </select>
    )
  const quantity = shape.kind === 'number' ? quantityOfFigure(shape.figure, list, entry, path) : null
  const unit = quantity === null ? '' : unitOf(quantity, system)
  return (
    <TypedCell
      shared={shared}
      text={asTyped(field, value, quantity, system)}
      unit={unit}
      isFigure={shape.kind === 'number'}
      write={(typed) => write(typedValue(field, typed, { quantity, system, classOf: classEndAt(list, entry, path) }))}
    />
  )
}

function TypedCell({
  shared,
  text: stands,
  unit,
  isFigure,
  write,
}: {
  readonly shared: Readonly<Record<string, unknown>>
  readonly text: string
  readonly unit: string
  readonly isFigure: boolean
  readonly write: (text: string) => void
}) {
  const { text, type, flush } = useTyped(stands, write)
  return (
    <>
      <input
        {...shared}
        className={isFigure ? 'figure' : undefined}
        value={text}
        autoComplete="off"
        maxLength={1000}
        onBlur={flush}
        onChange={({ currentTarget }) => type(currentTarget.value)}
      />
      {unit !== '' && <span className={styles.unit}>{unit}</span>}
    </>
  )
}
