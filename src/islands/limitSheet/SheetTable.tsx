import { type ClipboardEvent, type KeyboardEvent, useRef } from 'react'
import type { SheetRow } from '../../core/kit/limitSheet'
import { unitOf } from '../../core/quantity/format'
import { judgedWords, say } from '../../labels/limitSheet'
import { Button } from '../../ui/Button'
import { RowGap } from '../../ui/dataTable/RowGap'
import { useRowWindow } from '../../ui/dataTable/useRowWindow'
import { type Cell, cellsIn, keyOf, typedOf } from './cells'
import styles from './LimitSheet.module.css'
import type { Sheet } from './useSheet'

const COLUMNS = 9
const ROW_PX = 41
/** So many letters of the usual size have room in a cell. */
const MOST_IN_CELL = 7
const MOST_IN_NEW = 14

type Item =
  | { readonly kind: 'group'; readonly name: string }
  | { readonly kind: 'row'; readonly row: SheetRow; readonly at: number }
const itemKey = (item: Item): string => (item.kind === 'row' ? keyOf(item.row) : `group ${item.name}`)

interface TableProps {
  readonly sheet: Sheet
  readonly rows: readonly SheetRow[]
  readonly checks: boolean
  readonly mayType: boolean
  readonly onHere: (row: SheetRow) => void
}

/** The limits of the machine, a row each: typed, pasted, or held against their page. */
export function SheetTable({ sheet, rows, checks, mayType, onHere }: TableProps) {
  const table = useRef<HTMLTableElement>(null)
  const groups = [...new Set(rows.map(({ group }) => group))]
  const items = groups.flatMap((name): Item[] => [
    { kind: 'group', name },
    ...rows.flatMap((row, at): Item[] => (row.group === name ? [{ kind: 'row', row, at }] : [])),
  ])
  const lines = useRowWindow(table, items.map(itemKey), ROW_PX)
  const goTo = (at: number, cell: string): boolean => {
    const row = rows[at]
    const field = row && table.current?.querySelector<HTMLElement>(`[data-at="${CSS.escape(`${keyOf(row)} ${cell}`)}"]`)
    field?.focus()
    return field != null
  }
  const onKeyDown = (event: KeyboardEvent<HTMLTableElement>): void => {
    const field = event.target as HTMLElement
    const at = Number(field.dataset.row)
    const cell = field.dataset.cell as Cell | undefined
    if (cell === undefined || Number.isNaN(at) || event.altKey) return
    const isChoice = field instanceof HTMLSelectElement
    if (event.key === 'd' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault()
      sheet.asAbove(rows, at, cell)
    } else if (event.ctrlKey || event.metaKey) return
    else if (event.key === 'Enter' || (event.key === 'ArrowDown' && !isChoice)) {
      if (goTo(at + (event.shiftKey ? -1 : 1), cell)) event.preventDefault()
    } else if (event.key === 'ArrowUp' && !isChoice && goTo(at - 1, cell)) event.preventDefault()
  }
  const onPaste = (event: ClipboardEvent<HTMLTableElement>): void => {
    const field = event.target as HTMLElement
    const cell = field.dataset.cell as Cell | undefined
    const block = cellsIn(event.clipboardData.getData('text/plain'))
    if (cell === undefined || (block.length === 1 && (block[0]?.length ?? 0) < 2)) return
    event.preventDefault()
    sheet.paste(rows, { row: Number(field.dataset.row), cell }, block)
  }
  return (
    <table
      ref={table}
      className={styles.table}
      data-checks={checks || undefined}
      onKeyDown={onKeyDown}
      onPaste={onPaste}
      aria-rowcount={lines.isPart ? items.length + 1 : undefined}
    >
      <thead>
        <tr>
          <th scope="col">{say.value}</th>
          <th scope="col">{say.new}</th>
          <th scope="col">{say.plan}</th>
          <th scope="col">{say.wear}</th>
          <th scope="col">{say.unit}</th>
          <th scope="col">{say.passed}</th>
          <th scope="col">{say.document}</th>
          <th scope="col">{say.page}</th>
          <th scope="col">{say.state}</th>
        </tr>
      </thead>
      <tbody>
        <RowGap px={lines.before} columns={COLUMNS} />
        {lines.drawn.map((index) => {
          const item = items[index]
          if (!item) return null
          const place = { 'data-index': index, 'aria-rowindex': lines.isPart ? index + 2 : undefined, ref: lines.measure }
          if (item.kind === 'row')
            return (
              <Row
                key={itemKey(item)}
                row={item.row}
                at={item.at}
                sheet={sheet}
                checks={checks}
                mayType={mayType}
                place={place}
                onHere={onHere}
              />
            )
          const own = rows.filter(({ group }) => group === item.name)
          return (
            <tr key={itemKey(item)} {...place} className={styles.group}>
              <th colSpan={COLUMNS} scope="colgroup">
                {item.name}
                <span>{say.typedOf(own.filter(({ state }) => state !== 'empty').length, own.length)}</span>
              </th>
            </tr>
          )
        })}
        <RowGap px={lines.after} columns={COLUMNS} />
      </tbody>
    </table>
  )
}

interface RowProps extends Omit<TableProps, 'rows'> {
  readonly row: SheetRow
  readonly at: number
  readonly place: { readonly ref: (row: Element | null) => void }
}

function Row({ row, at, sheet, checks, mayType, place, onHere }: RowProps) {
  const key = keyOf(row)
  const texts = sheet.textsOf(row)
  const carried = sheet.carried.get(key)
  const faults = sheet.faults.get(key) ?? []
  const far = sheet.far.get(key)
  const isEdited = sheet.edited.has(key)
  const check = typedOf(row)?.check
  const field = (cell: Cell, label: string, placeholder = '') => (
    <td className={styles.cell} data-cell={cell}>
      <input
        className="figure"
        aria-label={`${row.name}, ${judgedWords(row.judges)}: ${label}`}
        data-at={`${key} ${cell}`}
        data-row={at}
        data-cell={cell}
        value={texts[cell]}
        data-long={texts[cell].length > (cell === 'new' ? MOST_IN_NEW : MOST_IN_CELL) || undefined}
        placeholder={placeholder}
        maxLength={cell === 'plan' || cell === 'wear' ? 400 : 60}
        autoComplete="off"
        readOnly={checks || !mayType}
        aria-invalid={isEdited && faults.some((fault) => fault.cell === cell) ? true : undefined}
        aria-describedby={faults.length > 0 ? `fault-${at}` : undefined}
        onChange={({ target }) => sheet.type(row, cell, target.value)}
      />
    </td>
  )
  return (
    <>
      <tr {...place} className={styles.row} data-edited={isEdited || undefined} onFocus={() => onHere(row)}>
        <th scope="row">
          {underGroup(row)}
          <span>{say.judged(judgedWords(row.judges), row.side)}</span>
        </th>
        {row.takesNew ? field('new', say.new) : <td className={styles.none} />}
        {field('plan', say.plan)}
        {field('wear', say.wear)}
        <td className={styles.unit}>{unitOf(row.quantity, sheet.units)}</td>
        <td className={styles.cell} data-cell="whenPassed">
          <select
            aria-label={`${row.name}, ${judgedWords(row.judges)}: ${say.passed}`}
            data-at={`${key} whenPassed`}
            data-row={at}
            data-cell="whenPassed"
            value={texts.whenPassed}
            disabled={checks || !mayType}
            onChange={({ target }) => sheet.type(row, 'whenPassed', target.value)}
          >
            <option value="mend">{say.mend}</option>
            <option value="replace">{say.replace}</option>
          </select>
        </td>
        {field('document', say.document, carried?.document)}
        {field('page', say.page, carried?.page)}
        <td className={styles.state} data-state={row.state}>
          {say.stateOf(say.stateWord[row.state], check?.by ?? '')}
          {checks && typedOf(row) && <Check row={row} sheet={sheet} />}
        </td>
      </tr>
      {(faults.length > 0 && isEdited) || far || check?.agrees === false ? (
        <tr className={styles.fault}>
          <td colSpan={COLUMNS} id={`fault-${at}`}>
            {[
              ...(isEdited ? faults.map(({ says }) => says) : []),
              ...(far && isEdited ? [say.far(far[0], far[1])] : []),
              ...(check?.agrees === false ? [say.saysOf(check.by, check.note)] : []),
            ].join(' ')}
          </td>
        </tr>
      ) : null}
    </>
  )
}

/** Under the head of its assembly a measurement is named without it. */
function underGroup({ name, group }: SheetRow): string {
  const own = name.startsWith(`${group}: `) ? name.slice(group.length + 2) : name
  return own.charAt(0).toUpperCase() + own.slice(1)
}

/** What a second person says of a row, with the page before them. */
function Check({ row, sheet }: { readonly row: SheetRow; readonly sheet: Sheet }) {
  const key = keyOf(row)
  const note = sheet.notes.get(key)
  const named = `${row.name}, ${judgedWords(row.judges)}`
  if (typedOf(row)?.by === sheet.me) return <span className={styles.own}>{say.own}</span>
  return (
    <span className={styles.checks}>
      <Button
        disabled={sheet.busy}
        aria-pressed={typedOf(row)?.check?.agrees === true}
        onClick={() => void sheet.check(row, true)}
      >
        {say.agrees}
        <span className="hidden-label"> {named}</span>
      </Button>
      {note === undefined ? (
        <Button kind="quiet" onClick={() => sheet.note(row, '')}>
          {say.differs}
          <span className="hidden-label"> {named}</span>
        </Button>
      ) : (
        <input
          aria-label={say.pageSays}
          placeholder={say.pageSays}
          value={note}
          maxLength={400}
          // biome-ignore lint/a11y/noAutofocus: it has just been asked for
          autoFocus
          onChange={({ target }) => sheet.note(row, target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && note.trim() !== '') void sheet.check(row, false)
            if (event.key === 'Escape') sheet.note(row, null)
          }}
        />
      )}
    </span>
  )
}
