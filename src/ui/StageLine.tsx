import type { StageLine as Line } from '../contract/stageLines'
import { say } from '../labels/shell'
import styles from './StageLine.module.css'
import { VerdictWord } from './VerdictMark'

/** As found → after work → as left, each with its verdict; nothing where only as found was measured. */
export function StageLine({ lines, size = 13 }: { readonly lines: readonly Line[]; readonly size?: number }) {
  if (lines.length === 0) return null
  return (
    <ol className={styles.line} aria-label={say.stageStage}>
      {lines.map(({ stage, verdict }) => (
        <li key={stage}>
          <span className={styles.stage}>{stage}</span> <VerdictWord verdict={verdict} size={size} />
        </li>
      ))}
    </ol>
  )
}
