import type { Verdict } from '../../core/policy/disposition'
import { VerdictMark } from '../../ui/VerdictMark'
import styles from './Fits.module.css'
import type { FitState } from './fitRows'

/** How full the mark is says how far it has gone, as with verdicts. */
const markOf: Readonly<Record<FitState, Verdict>> = {
  within: 'reuse',
  pastPlan: 'recondition',
  beyond: 'replace',
  undecided: 'hold',
  missing: 'hold',
  unlimited: 'hold',
}

export const FitStateMark = ({ state, words }: { readonly state: FitState; readonly words: string }) => (
  <span className={styles.state} data-state={state}>
    <VerdictMark verdict={markOf[state]} size={17} />
    {words}
  </span>
)
