import { useCallback, useEffect, useMemo, useState } from 'react'
import type { DraftView } from '../../contract/answers'
import { type RowFault, type SheetRow, sheetRows, withRow } from '../../core/kit/limitSheet'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { isNone } from '../../core/typed/limitRow'
import { rowFaultWords } from '../../labels/limitSheet'
import { type Draft, useDraft } from '../compose/useDraft'
import type { Cell, Texts } from '../limitRow/cell'
import { carriedDown, cellOf, equalRows, farFrom, faultsOfRow, keyOf, laidOver, storedTexts, typedRow } from './cells'

export interface Sheet {
  readonly draft: Draft
  readonly rows: readonly SheetRow[]
  readonly units: UnitSystem
  /** Who types: they check nothing of their own. */
  readonly me: string
  readonly busy: boolean
  readonly edited: ReadonlySet<string>
  readonly faults: ReadonlyMap<string, readonly { readonly cell: Cell; readonly says: string }[]>
  readonly far: ReadonlyMap<string, readonly [string, string]>
  readonly carried: ReadonlyMap<string, Pick<Texts, 'document' | 'page'>>
  readonly notes: ReadonlyMap<string, string>
  readonly textsOf: (row: SheetRow) => Texts
  /** The row as it would be stored: what is drawn beside it. */
  readonly asTyped: (row: SheetRow) => SheetRow
  readonly type: (row: SheetRow, cell: Cell, text: string) => void
  /** Fills the rows of equal parts that say nothing yet; those that would be filled. */
  readonly equalTo: (row: SheetRow) => readonly SheetRow[]
  readonly fillEqual: (row: SheetRow) => void
  readonly asAbove: (rows: readonly SheetRow[], at: number, cell: Cell) => void
  readonly paste: (
    rows: readonly SheetRow[],
    at: { readonly row: number; readonly cell: Cell },
    block: readonly (readonly string[])[],
  ) => void
  /** How many edited rows can be stored as they are. */
  readonly ready: readonly SheetRow[]
  readonly save: () => Promise<boolean>
  readonly note: (row: SheetRow, text: string | null) => void
  readonly check: (row: SheetRow, agrees: boolean) => Promise<boolean>
}

type Edits = ReadonlyMap<string, Texts>

/** The limits sheet as it is stored, with what is typed over it; what is typed outlives a reload until it is saved. */
export function useSheet(start: DraftView, me: string): Sheet {
  const draft = useDraft(start)
  const { book, machine } = draft.view
  const { units } = machine
  const [edits, setEdits] = useKept(`medida-sheet:${me}:${machine.id}`)
  const [notes, setNotes] = useState<ReadonlyMap<string, string>>(new Map())
  const rows = useMemo(() => sheetRows(book), [book])
  const stored = useMemo(() => new Map(rows.map((row) => [keyOf(row), storedTexts(row, units)])), [rows, units])
  const textsOf = useCallback(
    (row: SheetRow): Texts => edits.get(keyOf(row)) ?? stored.get(keyOf(row)) ?? storedTexts(row, units),
    [edits, stored, units],
  )
  const carried = useMemo(() => carriedDown(rows, textsOf), [rows, textsOf])
  const sent = useCallback(
    (row: SheetRow) => typedRow(row, textsOf(row), carried.get(keyOf(row)) ?? { document: '', page: '' }),
    [textsOf, carried],
  )
  const own = useMemo(() => rows.filter((row) => edits.has(keyOf(row))), [rows, edits])
  const faults = useMemo(() => {
    // A row depends on nothing but itself: the book is asked with that row alone.
    const found = own.map((row) => [keyOf(row), wrongWith(faultsOfRow(book, sent(row), units))] as const)
    return new Map(found.filter(([, words]) => words.length > 0))
  }, [own, book, sent, units])
  const far = new Map(
    own.flatMap((row) => {
      const found = farFrom(row, textsOf(row), units)
      return found ? [[keyOf(row), found] as const] : []
    }),
  )
  const ready = own.filter((row) => !faults.has(keyOf(row)))
  const equalTo = (row: SheetRow): readonly SheetRow[] => {
    // That there is no limit is said of one value at a time.
    if (textsOf(row).wear.trim() === '' || isNone(textsOf(row).wear)) return []
    return equalRows(rows, row).filter((one) => {
      const { wear, plan } = textsOf(one)
      return wear.trim() === '' && plan.trim() === ''
    })
  }
  const lay = (laid: Edits): void => {
    const next = new Map(edits)
    for (const [key, texts] of laid)
      if (isSame(texts, stored.get(key))) next.delete(key)
      else next.set(key, texts)
    setEdits(next)
  }
  return {
    draft,
    rows,
    units,
    me,
    busy: draft.busy,
    edited: new Set(edits.keys()),
    faults,
    far,
    carried,
    notes,
    textsOf,
    asTyped: (row) => {
      const made = edits.has(keyOf(row)) ? withRow(book, sent(row), units, { by: me, at: '' }) : null
      return (made?.ok && sheetRows(made.value).find((one) => keyOf(one) === keyOf(row))) || row
    },
    type: (row, cell, text) => lay(new Map([[keyOf(row), { ...textsOf(row), [cell]: text }]])),
    equalTo,
    fillEqual: (row) => {
      const from = textsOf(row)
      const source = carried.get(keyOf(row)) ?? { document: '', page: '' }
      lay(
        new Map(equalTo(row).map((one) => [keyOf(one), { ...from, ...source, new: one.takesNew ? from.new : textsOf(one).new }])),
      )
    },
    asAbove: (shown, at, cell) => {
      const [above, row] = [shown[at - 1], shown[at]]
      if (above && row) lay(new Map([[keyOf(row), { ...textsOf(row), [cell]: textsOf(above)[cell] }]]))
    },
    paste: (shown, at, block) => lay(laidOver(shown, textsOf, at, block)),
    ready,
    save: async () => {
      if (ready.length === 0) return false
      const done = await draft.make({ kind: 'limits', rows: ready.map(sent) })
      if (done) setEdits(new Map([...edits].filter(([key]) => faults.has(key))))
      return done
    },
    note: (row, text) => {
      const next = new Map(notes)
      if (text === null) next.delete(keyOf(row))
      else next.set(keyOf(row), text)
      setNotes(next)
    },
    check: async (row, agrees) => {
      const { of, judges, side } = row
      const note = (notes.get(keyOf(row)) ?? '').trim()
      const done = await draft.make({ kind: 'check', rows: [{ of, judges, side, agrees, note: agrees ? '' : note }] })
      if (done) setNotes(new Map([...notes].filter(([key]) => key !== keyOf(row))))
      return done
    },
  }
}

const wrongWith = (faults: readonly RowFault[]) => faults.map((fault) => ({ cell: cellOf(fault), says: rowFaultWords(fault) }))

const isSame = (a: Texts, b: Texts | undefined): boolean =>
  b !== undefined && (Object.keys(a) as Cell[]).every((cell) => a[cell] === b[cell])

/** What is typed and not saved, kept on this device under its machine. */
function useKept(key: string): readonly [Edits, (edits: Edits) => void] {
  const [edits, setEdits] = useState<Edits>(new Map())
  useEffect(() => {
    try {
      const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? '[]')
      if (Array.isArray(kept) && kept.length > 0) setEdits(new Map(kept as [string, Texts][]))
    } catch {
      sessionStorage.removeItem(key)
    }
  }, [key])
  return [
    edits,
    (next) => {
      setEdits(next)
      if (next.size === 0) sessionStorage.removeItem(key)
      else sessionStorage.setItem(key, JSON.stringify([...next]))
    },
  ]
}
