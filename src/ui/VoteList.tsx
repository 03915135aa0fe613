import { useEffect, useRef, useState } from 'react'
import { dispositionRank } from '../core/policy/disposition'
import { shownOfVote } from '../core/verdict/shown'
import type { TraceStep, Vote } from '../core/verdict/vote'
import { shownName } from '../core/words/labels'
import type { Speaker } from '../core/words/speaker'
import { traceWords } from '../core/words/trace'
import { reasonOf, settledBy } from '../core/words/votes'
import { say } from '../labels/shell'
import { SourceNote } from './SourceNote'
import { VerdictMark } from './VerdictMark'
import styles from './VoteList.module.css'

const kindWord: Record<TraceStep['kind'], string> = {
  reading: say.traceReading,
  reduction: say.traceResult,
  uncertainty: say.traceUncertainty,
  limit: say.traceLimit,
  forecast: say.traceForecast,
  finding: say.traceFinding,
  route: say.traceRoute,
  rule: say.traceRule,
}

function nothingBehind({ rule }: Vote): string {
  if (rule === 'service') return say.bookSaysWhen
  if (rule === 'finding') return say.seenEye
  return rule === 'leftOut' ? say.inspectionLevelLeaves : say.nothingMeasured
}

/** The reasons of a verdict, strongest first; each opens to its sum, from the readings to the rule. */
export function VoteList({
  votes,
  speaker,
  quiet = false,
}: {
  readonly votes: readonly Vote[]
  readonly speaker: Speaker
  readonly quiet?: boolean
}) {
  // When something asks for work, what is in order is left to the end of the list.
  const shown = quiet ? votes.filter((vote) => dispositionRank[vote.strong] > 0) : votes
  return (
    <ul className={styles.votes}>
      {keyed(shown).map(({ vote, key }) => (
        <li key={key}>
          <Reason vote={vote} speaker={speaker} />
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

function Reason({ vote, speaker }: { readonly vote: Vote; readonly speaker: Speaker }) {
  const { documents } = speaker.book
  const settles = settledBy(speaker, vote)
  // The sum is long and mostly closed: where the page is alive it is drawn when somebody opens it.
  const ref = useRef<HTMLDetailsElement>(null)
  const [open, setOpen] = useState(true)
  useEffect(() => setOpen(ref.current?.open ?? false), [])
  return (
    <details ref={ref} className={styles.vote} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <VerdictMark verdict={shownOfVote(vote)} size={14} title={shownName[shownOfVote(vote)]} />
        <span>
          <span className={styles.reason}>{reasonOf(speaker, vote)}</span>{' '}
          {vote.source && <SourceNote source={vote.source} documents={documents} />}
          {settles && <span className={styles.settled}>{settles}</span>}
        </span>
      </summary>
      {open && (
        <ul className={styles.trace}>
          {vote.trace.length === 0 && <li>{say.noSumBehind(nothingBehind(vote))}</li>}
          {vote.trace.map((step, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the steps of one vote keep their order.
            <li key={index}>
              <span className={styles.kind}>{kindWord[step.kind]}</span>
              <span>
                {traceWords(speaker, vote, step)} {step.source && <SourceNote source={step.source} documents={documents} />}
              </span>
            </li>
          ))}
        </ul>
      )}
    </details>
  )
}
