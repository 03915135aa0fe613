import type { Shown } from '../core/verdict/shown'
import { shownName } from '../core/words/labels'
import styles from './VerdictMark.module.css'

/** How full the mark is says how much must be done: open, the foot, half, full; broken while it holds, a dash where nothing is judged. */
export function VerdictMark({
  verdict,
  size = 16,
  title,
}: {
  readonly verdict: Shown
  readonly size?: number
  readonly title?: string
}) {
  return (
    <svg
      role={title ? 'img' : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
      className={styles.mark}
      data-verdict={verdict}
      width={size}
      height={size}
      viewBox="0 0 16 16"
    >
      {verdict === 'replace' ? (
        <circle cx="8" cy="8" r="7" fill="currentColor" />
      ) : verdict === 'nothing' ? (
        <path d="M3 8H13" stroke="currentColor" strokeWidth="2" />
      ) : (
        <circle
          cx="8"
          cy="8"
          r="6.4"
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
          strokeDasharray={verdict === 'hold' ? '3 2.6' : undefined}
        />
      )}
      {verdict === 'adjust' && <path d="M2.6 11.4A6.4 6.4 0 0 0 13.4 11.4Z" fill="currentColor" />}
      {verdict === 'recondition' && <path d="M1.6 8A6.4 6.4 0 0 0 14.4 8Z" fill="currentColor" />}
    </svg>
  )
}

/** Mark and word together. */
export function VerdictWord({ verdict, size = 16 }: { readonly verdict: Shown; readonly size?: number }) {
  return (
    <span className={styles.verdict} data-verdict={verdict}>
      <VerdictMark verdict={verdict} size={size} />
      {shownName[verdict]}
    </span>
  )
}
