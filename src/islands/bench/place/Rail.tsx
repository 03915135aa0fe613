import { useVirtualizer } from '@tanstack/react-virtual'
import { memo, useEffect, useMemo, useRef } from 'react'
import type { Characteristic, LimitBook } from '../../../core/book/bookSchema'
import type { Measured } from '../../../core/evaluate/results'
import type { UnitSystem } from '../../../core/quantity/unitSystem'
import type { Policy } from '../../../core/record/recordSchema'
import type { Need } from '../../../core/scope/need'
import { shownOf } from '../../../core/verdict/shown'
import { shownName } from '../../../core/words/labels'
import { ribbonOf } from '../../../drawing/ribbonScale'
import { say } from '../../../labels/bench'
import { LimitRibbon } from '../../../ui/limitRibbon/LimitRibbon'
import { VerdictMark } from '../../../ui/VerdictMark'
import type { BenchEvent } from '../benchEvents'
import type { Bench } from '../benchState'
import styles from './Rail.module.css'

type Row =
  | { readonly kind: 'head'; readonly assembly: string }
  | { readonly kind: 'item'; readonly characteristic: Characteristic; readonly part: string; readonly index: number }

/** A book of up to so many is drawn whole: then Tab goes through all of it. */
const DRAWN_WHOLE = 60
const HEAD_PX = 38
const ITEM_PX = 76

/** All characteristics by assembly, each with its ribbon, its mark and how many readings it has; of a long list what is in sight. */
export function Rail({ bench }: { readonly bench: Bench }) {
  const { book, job, machine } = bench.record
  const rows = useMemo(() => rowsOf(book), [book])
  const nav = useRef<HTMLElement>(null)
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => nav.current,
    estimateSize: (index) => (rows[index]?.kind === 'head' ? HEAD_PX : ITEM_PX),
    initialRect: { width: 262, height: 700 },
    overscan: rows.length <= DRAWN_WHOLE ? rows.length : 6,
  })
  const current = rows.findIndex((row) => row.kind === 'item' && row.characteristic.id === bench.characteristic.id)
  useEffect(() => {
    if (current >= 0) virtual.scrollToIndex(current, { align: 'auto' })
  }, [current, virtual])
  return (
    <nav ref={nav} className={styles.rail} aria-label={say.whatMeasure}>
      <ul className={styles.railList} style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start, key }) => {
          const row = rows[index]
          if (!row) return null
          const result = row.kind === 'item' ? bench.resultAt(row.index) : undefined
          const need = row.kind === 'item' ? (bench.needAt(row.index) ?? 'required') : 'required'
          return (
            <RailRow
              key={key}
              row={row}
              index={index}
              start={start}
              measure={virtual.measureElement}
              result={result}
              need={need}
              policy={job.policy}
              system={machine.units}
              isCurrent={row.kind === 'item' && row.characteristic.id === bench.characteristic.id}
              does={bench.acts.does}
            />
          )
        })}
      </ul>
    </nav>
  )
}

/** Assemblies in the order of the book's parts, each with its characteristics. */
function rowsOf(book: LimitBook): readonly Row[] {
  const partOf = new Map(book.parts.map((part) => [part.id, part]))
  const by = new Map<string, Row[]>(book.parts.map((part) => [part.assembly, []]))
  book.characteristics.forEach((characteristic, index) => {
    const part = partOf.get(characteristic.part)
    by.get(part?.assembly ?? '')?.push({ kind: 'item', characteristic, part: part?.name ?? '', index })
  })
  return [...by].flatMap(([assembly, items]): Row[] => (items.length === 0 ? [] : [{ kind: 'head', assembly }, ...items]))
}

interface RailRowProps extends Omit<RailItemProps, 'characteristic' | 'part' | 'result'> {
  readonly row: Row
  readonly index: number
  /** Where it lies, px from the top. */
  readonly start: number
  readonly measure: (element: Element | null) => void
  readonly result: Measured | undefined
}

/** Left as it is at a key, unless its own result has changed. */
const RailRow = memo(function RailRow({ row, index, start, measure, result, ...item }: RailRowProps) {
  return (
    <li ref={measure} data-index={index} className={styles.railRow} style={{ transform: `translateY(${start}px)` }}>
      {row.kind === 'head' ? (
        <h2 className={styles.railHead}>{row.assembly}</h2>
      ) : result ? (
        <RailItem characteristic={row.characteristic} part={row.part} result={result} {...item} />
      ) : null}
    </li>
  )
})

interface RailItemProps {
  readonly characteristic: Characteristic
  /** Name of the part it is measured on. */
  readonly part: string
  readonly result: Measured
  readonly need: Need
  readonly policy: Policy
  readonly system: UnitSystem
  readonly isCurrent: boolean
  readonly does: (event: BenchEvent) => void
}

function RailItem({ characteristic, part, result, need, policy, system, isCurrent, does }: RailItemProps) {
  const { taken, needed } = result.reductions
  return (
    <button
      type="button"
      className={styles.item}
      data-need={need}
      aria-current={isCurrent ? 'true' : undefined}
      onClick={() => does({ kind: 'goTo', characteristic: characteristic.id })}
    >
      <span className={styles.itemLine}>
        <span className={styles.itemName}>{characteristic.name}</span>
        {need === 'required' ? (
          <VerdictMark verdict={shownOf(result)} size={14} title={shownName[shownOf(result)]} />
        ) : (
          <span className={styles.itemNeed}>{need === 'ifGateFails' ? say.ifGateFails : say.notRequired}</span>
        )}
        <span className={`figure ${styles.itemCount}`}>
          {characteristic.method.kind === 'computed' ? '=' : `${taken}/${needed}`}
        </span>
      </span>
      <span className={styles.itemPart}>{part}</span>
      {characteristic.limits.length > 0 && (
        <LimitRibbon model={ribbonOf(characteristic, result, policy)} width={226} system={system} />
      )}
    </button>
  )
}
