import { useEffect, useMemo, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView } from '../../contract/answers'
import type { DecisionBody } from '../../contract/bodies'
import type { Part } from '../../core/book/bookSchema'
import { evaluate } from '../../core/evaluate/evaluate'
import type { Results } from '../../core/evaluate/results'
import { type StandingDecision, standingDecisions } from '../../core/job/progress'
import { jobState, whyClosed } from '../../core/job/standing'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Disposition } from '../../core/policy/disposition'
import { type DecidedWay, decidedWay } from '../../core/verdict/decidedWay'
import type { PartResult } from '../../core/verdict/partVerdict'
import { closedWords } from '../../core/words/ready'
import { type Speaker, speakerOf } from '../../core/words/speaker'
import { say } from '../../labels/verdicts'
import { type Answer, getJson, postJson } from '../../sync/http'

export interface BoardRow {
  readonly part: Part
  readonly result: PartResult
  readonly standing: StandingDecision | undefined
  /** A safety-marked characteristic is judged on this part. */
  readonly safety: boolean
  /** Way of what counts: the inspector's verdict once it stands, else the recommended one. */
  readonly way: DecidedWay | null
}

/** A verdict of the inspector's own. */
export interface OwnVerdict {
  readonly id: string
  readonly decided: Disposition
  readonly reason: string
  /** Route of the part it is reconditioned by, or OWN_WAY; null where it is not reconditioned. */
  readonly route: string | null
}

export interface Board {
  readonly view: JobView
  readonly results: Results
  /** Says why, in the units of the machine. */
  readonly speaker: Speaker
  readonly rows: readonly BoardRow[]
  readonly busy: boolean
  readonly fault: string | null
  /** Why nothing can be decided here; null when it can. */
  readonly closed: string | null
  /** Why nothing can be added here; null when it can. */
  readonly closedToNotes: string | null
  /** Notes something in the job; why it was refused, or null. */
  note(body: EntryBody): Promise<string | null>
  accept(rows: readonly BoardRow[]): Promise<void>
  depart(row: BoardRow, own: OwnVerdict): Promise<string | null>
}

const OFFLINE = say.serverCannotReached
const messageOf = (answer: Exclude<Answer<unknown>, { kind: 'ok' }>): string =>
  answer.kind === 'offline' ? OFFLINE : answer.message

const isDecided = ({ standing }: BoardRow): boolean => standing !== undefined && !standing.stale
/** What needs a person: no verdict yet, one made on something that changed, or a hold. */
export const needsSomeone = (row: BoardRow): boolean => row.result.need === 'required' && !isDecided(row)
export const isAcceptable = (row: BoardRow): boolean => needsSomeone(row) && row.result.verdict !== 'hold'

export function useBoard(initial: JobView): Board {
  const [view, setView] = useState(initial)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  // Verdicts are stored one after the other: who leaves meanwhile is asked first.
  useEffect(() => {
    if (!busy) return
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault()
    addEventListener('beforeunload', ask)
    return () => removeEventListener('beforeunload', ask)
  }, [busy])
  const results = useMemo(() => evaluate(view.record), [view])
  const rows = useMemo(() => rowsOf(view, results), [view, results])
  const jobPath = `/api/jobs/${encodeURIComponent(view.record.job.id)}`

  const refresh = async (): Promise<void> => {
    const answer = await getJson<JobView>(jobPath)
    if (answer.kind === 'ok') setView(answer.value)
  }
  const decide = (body: DecisionBody): Promise<Answer<unknown>> => postJson(`${jobPath}/decisions`, body)

  return {
    view,
    results,
    speaker: speakerOf(view.record.book, view.record.machine.units, view.record.machine.meter),
    rows,
    busy,
    fault,
    closed: closedBecause(view, 'decide'),
    closedToNotes: closedBecause(view, 'note'),
    note: async (body) => {
      const answer = await postJson(`${jobPath}/entries`, { entries: [{ id: v7(), seen: null, body }] })
      if (answer.kind !== 'ok') return messageOf(answer)
      await refresh()
      return null
    },
    accept: async (chosen) => {
      setBusy(true)
      setFault(null)
      for (const { part, result } of chosen) {
        if (result.verdict === 'hold') continue
        const answer = await decide({
          id: v7(),
          part: part.id,
          recommended: result.verdict,
          decided: result.verdict,
          reason: null,
          route: null,
        })
        if (answer.kind === 'ok') continue
        setFault(`${part.name}: ${messageOf(answer)}`)
        break
      }
      await refresh()
      setBusy(false)
    },
    depart: async ({ part, result }, { id, decided, reason, route }) => {
      const answer = await decide({
        id,
        part: part.id,
        recommended: result.verdict,
        decided,
        reason: reason.trim() === '' ? null : reason.trim(),
        route,
      })
      if (answer.kind !== 'ok') return messageOf(answer)
      await refresh()
      return null
    },
  }
}

function rowsOf(view: JobView, results: Results): BoardRow[] {
  const { book } = view.record
  const standing = standingDecisions(view.record, results)
  return book.parts.flatMap((part) => {
    const result = results.parts.find(({ id }) => id === part.id)
    if (!result) return []
    const safety = book.characteristics.some((characteristic) => characteristic.part === part.id && characteristic.safety)
    const own = standing.get(part.id)
    const way = decidedWay(part, result, own && !own.stale ? own.decided : null)
    return [{ part, result, standing: own, safety, way }]
  })
}

function closedBecause(view: JobView, wants: 'decide' | 'note'): string | null {
  const because = whyClosed(jobState(view))
  if (because !== null) return closedWords[because]
  return view.may[wants] ? null : say.youMayLook
}
