import type { SheetRow } from '../../core/kit/limitSheet'
import { unitOf } from '../../core/quantity/format'
import { isOwnTyping } from '../../core/typed/ownTyping'
import { say as rowSay } from '../../labels/limitRow'
import { judgedWords, say } from '../../labels/limitSheet'
import { Button } from '../../ui/Button'
import { RowGap } from '../../ui/dataTable/RowGap'
import { useRowWindow } from '../../ui/dataTable/useRowWindow'
import { PassedCell, TextCell } from '../limitRow/Cells'
import { CELLS, type Cell } from '../limitRow/cell'
import cells from '../limitRow/LimitRow.module.css'
import { useCellKeys } from '../limitRow/useCellKeys'
import { keyOf, typedOf } from './cells'
import styles from './LimitSheet.module.css'
import type { Sheet } from './useSheet'

const COLUMNS = 9
const ROW_PX = 41

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
  const keys = useCellKeys({
    keys: rows.map(keyOf),
    asAbove: (at, cell) => sheet.asAbove(rows, at, cell),
    paste: (at, block) => sheet.paste(rows, at, block),
  })
  const groups = [...new Set(rows.map(({ group }) => group))]
  const items = groups.flatMap((name): Item[] => [
    { kind: 'group', name },
    ...rows.flatMap((row, at): Item[] => (row.group === name ? [{ kind: 'row', row, at }] : [])),
  ])
  const lines = useRowWindow(keys.ref, items.map(itemKey), ROW_PX)
  return (
    <table
      {...keys}
      className={styles.table}
      data-checks={checks || undefined}
      aria-rowcount={lines.isPart ? items.length + 1 : undefined}
    >
      <thead>
        <tr>
          <th scope="col">{rowSay.value}</th>
          {CELLS.slice(0, 3).map((cell) => (
            <th key={cell} scope="col">
              {rowSay.cell[cell]}
            </th>
          ))}
          <th scope="col">{rowSay.unit}</th>
          {CELLS.slice(3).map((cell) => (
            <th key={cell} scope="col">
              {rowSay.cell[cell]}
            </th>
          ))}
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
  const of = `${row.name}, ${judgedWords(row.judges)}`
  const own = { at, row: key, of, mayType: mayType && !checks }
  const field = (cell: Cell, placeholder?: string) => (
    <TextCell
      {...own}
      cell={cell}
      value={texts[cell]}
      placeholder={placeholder}
      isWrong={isEdited && faults.some((fault) => fault.cell === cell)}
      describedBy={faults.length > 0 ? `fault-${at}` : undefined}
      onType={(text) => sheet.type(row, cell, text)}
    />
  )
  return (
    <>
      <tr {...place} className={styles.row} data-edited={isEdited || undefined} onFocus={() => onHere(row)}>
        <th scope="row">
          {underGroup(row)}
          <span>{say.judged(judgedWords(row.judges), row.side)}</span>
        </th>
        {row.takesNew ? field('new') : <td className={styles.none} />}
        {field('plan')}
        {field('wear')}
        <td className={cells.unit}>{unitOf(row.quantity, sheet.units)}</td>
        <PassedCell {...own} value={texts.whenPassed} onType={(text) => sheet.type(row, 'whenPassed', text)} />
        {field('document', carried?.document)}
        {field('page', carried?.page)}
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
              ...(far && isEdited ? [rowSay.far(far[0], far[1])] : []),
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
  const typed = typedOf(row)
  if (typed && isOwnTyping(typed, [sheet.me])) return <span className={styles.own}>{say.own}</span>
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
