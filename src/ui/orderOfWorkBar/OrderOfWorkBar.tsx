import { stepPages } from '../../contract/stepPages'
import type { Step, StepStanding } from '../../core/job/orderOfWork'
import { stepName } from '../../core/words/labels'
import { say } from '../../labels/drawings'
import styles from './OrderOfWorkBar.module.css'

export interface OrderOfWorkBarProps {
  readonly jobId: string
  readonly standings: readonly StepStanding[]
  /** Step whose page is open, for the mark under it; null on pages that are none. */
  readonly here: Step | null
}

function pageOf(jobId: string, step: Step): string {
  const job = `/jobs/${encodeURIComponent(jobId)}`
  const page = stepPages[step]
  return page ? `${job}/${page.path}` : `${job}#${step}`
}

const stateWord = {
  done: say.stepDone,
  now: say.stepNow,
  ahead: say.stepAhead,
  closed: say.closedUntilMade,
  nothing: say.nothingDo,
} as const

/** The order of work along the top: what is done, what is next, and the way to each page. */
export function OrderOfWorkBar({ jobId, standings, here }: OrderOfWorkBarProps) {
  return (
    <nav className={styles.rule} aria-label={say.orderWork}>
      <ol className={styles.list}>
        {standings.map(({ step, state, count }) => (
          <li key={step} className={styles.step} data-state={state}>
            <a className={styles.link} href={pageOf(jobId, step)} aria-current={step === here ? 'page' : undefined}>
              {stepName[step]}
              {state === 'done' && (
                <svg className={styles.check} viewBox="0 0 12 12" fill="none" strokeWidth="2" aria-hidden="true">
                  <path d="M1 6.5 4.5 10 11 2" />
                </svg>
              )}
              <span className="hidden-label">
                , {stateWord[state]}
                {count ? say.ofOne(count.done, count.of) : ''}
              </span>
            </a>
          </li>
        ))}
      </ol>
    </nav>
  )
}
