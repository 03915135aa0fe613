import { stages } from '../../../core/record/stage'
import { stageName } from '../../../core/words/labels'
import { say } from '../../../labels/bench'
import type { Bench } from '../benchState'
import styles from './StageChoice.module.css'

/** When it is measured: as found, after work on it, as it is left in the machine. */
export function StageChoice({ bench }: { readonly bench: Bench }) {
  return (
    <fieldset className={styles.stage}>
      <legend className="hidden-label">{say.stage}</legend>
      {stages.map((stage) => (
        <button
          key={stage}
          type="button"
          aria-pressed={stage === bench.stage}
          onClick={() => bench.acts.does({ kind: 'measureAt', stage })}
        >
          {stageName[stage]}
        </button>
      ))}
    </fieldset>
  )
}
