import { memo, useMemo, useRef } from 'react'
import { verdictLabel } from '../../core/decision/level'
import type { UnitSystem } from '../../core/quantity/format'
import type { Characteristic } from '../../core/record/bookSchema'
import type { Policy } from '../../core/record/recordSchema'
import type { CharacteristicResult } from '../../core/record/results'
import { ribbonOf } from '../../drawing/ribbonScale'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { VerdictMark } from '../../ui/VerdictMark'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

/** All characteristics by assembly, each with its ribbon, its mark and how many readings it has. */
export function Rail({ bench }: { readonly bench: Bench }) {
  const { book, job, machine } = bench.record
  const groups = useMemo(() => {
    const assemblyOf = new Map(book.parts.map((part) => [part.id, part.assembly]))
    const by = new Map<string, { characteristic: Characteristic; index: number }[]>(book.parts.map((part) => [part.assembly, []]))
    book.characteristics.forEach((characteristic, index) => {
      by.get(assemblyOf.get(characteristic.part) ?? '')?.push({ characteristic, index })
    })
    return [...by].filter(([, items]) => items.length > 0)
  }, [book])
  // One function for all items, so that an item whose result has not changed is left as it is.
  const latest = useRef(bench.goTo)
  latest.current = bench.goTo
  const goTo = useRef((id: string) => latest.current(id)).current
  return (
    <nav className={styles.rail} aria-label="What to measure">
      {groups.map(([assembly, items]) => (
        <section key={assembly}>
          <h2 className={styles.railHead}>{assembly}</h2>
          <ul className={styles.railList}>
            {items.map(({ characteristic, index }) => {
              const result = bench.results.characteristics[index]
              return result ? (
                <RailItem
                  key={characteristic.id}
                  characteristic={characteristic}
                  result={result}
                  policy={job.policy}
                  system={machine.units}
                  isCurrent={characteristic.id === bench.characteristic.id}
                  goTo={goTo}
                />
              ) : null
            })}
          </ul>
        </section>
      ))}
    </nav>
  )
}

interface RailItemProps {
  readonly characteristic: Characteristic
  readonly result: CharacteristicResult
  readonly policy: Policy
  readonly system: UnitSystem
  readonly isCurrent: boolean
  readonly goTo: (id: string) => void
}

const RailItem = memo(function RailItem({ characteristic, result, policy, system, isCurrent, goTo }: RailItemProps) {
  const { taken, needed } = result.reductions
  return (
    <li className={styles.railItem}>
      <button
        type="button"
        className={styles.item}
        data-need={result.need}
        aria-current={isCurrent ? 'true' : undefined}
        onClick={() => goTo(characteristic.id)}
      >
        <span className={styles.itemLine}>
          <span className={styles.itemName}>{characteristic.name}</span>
          {result.need === 'required' ? (
            <VerdictMark verdict={result.verdict} size={14} title={verdictLabel[result.verdict]} />
          ) : (
            <span className={styles.itemNeed}>{result.need === 'ifGateFails' ? 'if the gate fails' : 'not required'}</span>
          )}
          <span className={`figure ${styles.itemCount}`}>
            {characteristic.method.kind === 'computed' ? '=' : `${taken}/${needed}`}
          </span>
        </span>
        {characteristic.limits.length > 0 && (
          <LimitRibbon model={ribbonOf(characteristic, result, policy)} width={226} system={system} />
        )}
      </button>
    </li>
  )
})
