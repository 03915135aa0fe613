import { verdictLabel } from '../../core/decision/level'
import { ribbonOf } from '../../drawing/ribbonScale'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { VerdictMark } from '../../ui/VerdictMark'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

/** All characteristics by assembly, each with its ribbon, its mark and how many readings it has. */
export function Rail({ bench }: { readonly bench: Bench }) {
  const { book, job, machine } = bench.record
  const assemblies = [...new Set(book.parts.map((part) => part.assembly))]
  return (
    <nav className={styles.rail} aria-label="What to measure">
      {assemblies.map((assembly) => (
        <section key={assembly}>
          <h2 className={styles.railHead}>{assembly}</h2>
          <ul className={styles.railList}>
            {book.characteristics
              .filter((characteristic) =>
                book.parts.some((part) => part.id === characteristic.part && part.assembly === assembly),
              )
              .map((characteristic) => {
                const result = bench.results.characteristics.find(({ id }) => id === characteristic.id)
                if (!result) return null
                const { taken, needed } = result.reductions
                return (
                  <li key={characteristic.id}>
                    <button
                      type="button"
                      className={styles.item}
                      data-need={result.need}
                      aria-current={characteristic.id === bench.characteristic.id ? 'true' : undefined}
                      onClick={() => bench.goTo(characteristic.id)}
                    >
                      <span className={styles.itemLine}>
                        <span className={styles.itemName}>{characteristic.name}</span>
                        {result.need === 'required' ? (
                          <VerdictMark verdict={result.verdict} size={14} title={verdictLabel[result.verdict]} />
                        ) : (
                          <span className={styles.itemNeed}>
                            {result.need === 'ifGateFails' ? 'if the gate fails' : 'not required'}
                          </span>
                        )}
                        <span className={`figure ${styles.itemCount}`}>
                          {taken}/{needed}
                        </span>
                      </span>
                      <LimitRibbon
                        model={ribbonOf(characteristic, result, job.policy)}
                        width={226}
                        system={machine.units}
                        stepMm={characteristic.showToMm}
                      />
                    </button>
                  </li>
                )
              })}
          </ul>
        </section>
      ))}
    </nav>
  )
}
