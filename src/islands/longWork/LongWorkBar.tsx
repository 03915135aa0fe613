import { farWords } from '../../contract/longWords'
import type { LongStage } from '../../contract/longWork'
import { say } from '../../labels/longWork'
import { Button } from '../../ui/Button'
import styles from './LongWorkBar.module.css'
import type { LongWorkState } from './useLongWork'

/** How far a long piece of work is, and the button that cancels it; nothing while none runs. */
export function LongWorkBar({ far, isRunning, cancel, first }: LongWorkState & { readonly first: LongStage }) {
  if (!isRunning) return null
  const says = farWords(far ?? { stage: first, done: 0, of: 1 })
  return (
    <div className={styles.bar}>
      <div className={styles.far}>
        <span>{says}</span>
        {far !== null && far.of > 1 ? (
          <progress aria-label={says} max={far.of} value={far.done} />
        ) : (
          <progress aria-label={says} />
        )}
      </div>
      <Button onClick={cancel}>{say.cancel}</Button>
    </div>
  )
}
