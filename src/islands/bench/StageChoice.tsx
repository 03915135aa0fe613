import { type Stage, stageLabel, stages } from '../../core/record/stage'
import styles from './Bench.module.css'
import type { Bench } from './benchState'

/** The stage after one, round and round: what a key goes to. */
export const stageAfter = (stage: Stage): Stage => stages[(stages.indexOf(stage) + 1) % stages.length] ?? 'asFound'

/** When it is measured: as found, after work on it, as it is left in the machine. */
export function StageChoice({ bench }: { readonly bench: Bench }) {
  return (
    <fieldset className={styles.stage}>
      <legend className="hidden-label">Stage</legend>
      {stages.map((stage) => (
        <button key={stage} type="button" aria-pressed={stage === bench.stage} onClick={() => bench.measureAt(stage)}>
          {stageLabel[stage]}
        </button>
      ))}
    </fieldset>
  )
}
