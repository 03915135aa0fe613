import type { CrossCheckResult } from '../../../core/evaluate/crossChecks'
import { crossCheckWords, suspectWords } from '../../../core/words/crossChecks'
import { say } from '../../../labels/bench'
import { Button } from '../../../ui/Button'
import type { Bench } from '../benchState'
import styles from './CrossChecks.module.css'
import shared from './values.module.css'

/** What this characteristic is known twice by; where the two do not agree, what to look at again. */
export function CrossChecks({ bench }: { readonly bench: Bench }) {
  const { record, characteristic, stage } = bench
  const own = (record.book.crossChecks ?? []).flatMap((spec, index) => {
    const names = Object.values(spec.names).some((of) => of.characteristic === characteristic.id)
    const result = names ? bench.crossCheckAt(index) : undefined
    return result?.known && result.also ? [{ spec, result }] : []
  })
  if (own.length === 0 || stage !== 'asFound') return null
  return (
    <>
      <h2>{say.knownTwice}</h2>
      {own.map(({ spec, result }) => (
        <div key={spec.id} className={shared.change} data-standing={result.standing === 'disagrees' ? 'outside' : 'inside'}>
          <p>{crossCheckWords(spec, result, bench.speaker)}</p>
          {result.suspects.length > 0 && <Suspects bench={bench} result={result} />}
        </div>
      ))}
    </>
  )
}

function Suspects({ bench, result }: { readonly bench: Bench; readonly result: CrossCheckResult }) {
  return (
    <ul className={styles.suspects}>
      {result.suspects.map((suspect) => {
        const of = bench.record.book.characteristics.find(({ id }) => id === suspect.characteristic)
        if (!of) return null
        return (
          <li key={suspectWords(bench.speaker, suspect, of)}>
            <Button
              kind="quiet"
              onClick={() => bench.acts.does({ kind: 'goTo', characteristic: of.id, slot: suspect.slot ?? undefined })}
            >
              {suspectWords(bench.speaker, suspect, of)}
            </Button>
          </li>
        )
      })}
    </ul>
  )
}
