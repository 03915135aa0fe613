import { useEffect, useRef, useState } from 'react'
import { levelRank, verdictLabel } from '../core/policy/disposition'
import { verdictOf } from '../core/verdict/partVerdict'
import type { TraceStep, Vote } from '../core/verdict/vote'
import { SourceNote } from './SourceNote'
import { VerdictMark } from './VerdictMark'
import styles from './VoteList.module.css'

type Documents = readonly { readonly id: string; readonly title: string; readonly revision: string }[]

const kindWord: Record<TraceStep['kind'], string> = {
  reading: 'reading',
  reduction: 'result',
  uncertainty: 'doubt',
  limit: 'limit',
  forecast: 'forecast',
  finding: 'seen',
  route: 'way',
  rule: 'rule',
}

function nothingBehind({ rule }: Vote): string {
  if (rule === 'service') return 'the book says when this part is renewed'
  if (rule === 'finding') return 'seen by eye'
  return rule === 'leftOut' ? 'the inspection level leaves it out' : 'nothing is measured'
}

/** The reasons of a verdict, strongest first; each opens to its sum, from the readings to the rule. */
export function VoteList({
  votes,
  documents,
  quiet = false,
}: {
  readonly votes: readonly Vote[]
  readonly documents: Documents
  readonly quiet?: boolean
}) {
  // When something asks for work, what is in order is left to the end of the list.
  const shown = quiet ? votes.filter((vote) => levelRank[vote.strong] > 0) : votes
  return (
    <ul className={styles.votes}>
      {keyed(shown).map(({ vote, key }) => (
        <li key={key}>
          <Reason vote={vote} documents={documents} />
        </li>
      ))}
    </ul>
  )
}

/** A reason keeps its place while its figures change: what it is about names it, not what it says. */
function keyed(votes: readonly Vote[]): readonly { readonly vote: Vote; readonly key: string }[] {
  const seen = new Map<string, number>()
  return votes.map((vote) => {
    const about = `${vote.rule} ${vote.subject}`
    const nth = (seen.get(about) ?? 0) + 1
    seen.set(about, nth)
    return { vote, key: `${about} ${nth}` }
  })
}

function Reason({ vote, documents }: { readonly vote: Vote; readonly documents: Documents }) {
  // The sum is long and mostly closed: where the page is alive it is drawn when somebody opens it.
  const ref = useRef<HTMLDetailsElement>(null)
  const [open, setOpen] = useState(true)
  useEffect(() => setOpen(ref.current?.open ?? false), [])
  return (
    <details ref={ref} className={styles.vote} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <VerdictMark verdict={verdictOf(vote)} size={14} title={verdictLabel[verdictOf(vote)]} />
        <span>
          <span className={styles.reason}>{vote.reason}</span>{' '}
          {vote.source && <SourceNote source={vote.source} documents={documents} />}
          {vote.settledBy && <span className={styles.settled}>{vote.settledBy}</span>}
        </span>
      </summary>
      {open && (
        <ul className={styles.trace}>
          {vote.trace.length === 0 && <li>No sum behind it: {nothingBehind(vote)}.</li>}
          {vote.trace.map((step) => (
            <li key={step.text}>
              <span className={styles.kind}>{kindWord[step.kind]}</span>
              <span>
                {step.text} {step.source && <SourceNote source={step.source} documents={documents} />}
              </span>
            </li>
          ))}
        </ul>
      )}
    </details>
  )
}
