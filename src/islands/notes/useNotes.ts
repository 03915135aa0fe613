import { useCallback, useMemo, useRef, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { evaluate, scopeOfRecord } from '../../core/evaluate/evaluate'
import type { Results } from '../../core/evaluate/results'
import { isMadeSafe } from '../../core/job/progress'
import { openSettings } from '../../core/job/settings'
import { jobState, whyClosed } from '../../core/job/standing'
import { foldNotes } from '../../core/notes/fold'
import type { OpenSetting } from '../../core/notes/settingsBefore'
import type { NotesState } from '../../core/notes/state'
import { type JobStep, jobSteps } from '../../core/notes/steps'
import type { InspectionRecord } from '../../core/record/recordSchema'
import { levelsInPlay, type Scope } from '../../core/scope/need'
import { closedWords } from '../../core/words/ready'
import { say } from '../../labels/notes'
import { getJson } from '../../sync/http'
import { recordWith } from './recordWith'
import { type Entries, useEntries } from './useEntries'

export interface NotesProps {
  readonly view: JobView
  readonly person: { readonly id: string; readonly name: string }
}

/** A job as it stands now, with everything noted on this device and by others, and the way to note more. */
export interface JobNotes extends Entries {
  readonly view: JobView
  /** Who is signed in. */
  readonly person: NotesProps['person']
  readonly record: InspectionRecord
  /** What all notes together say. */
  readonly state: NotesState
  readonly results: Results
  readonly scope: Scope
  readonly steps: readonly JobStep[]
  /** Settings that are still to be made, and read as left. */
  readonly settings: readonly OpenSetting[]
  readonly safe: boolean
  /** One sentence why nothing can be noted; null when it can. */
  readonly closed: string | null
}

const TOGETHER_MS = 300

export function useNotes({ view: opened, person }: NotesProps): JobNotes {
  const [view, setView] = useState(opened)
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null)
  const jobId = opened.record.job.id

  // Entries arrive by themselves; readings, verdicts and signatures are asked for when something was written.
  const onChanged = useCallback(() => {
    if (timer.current) clearTimeout(timer.current)
    timer.current = setTimeout(() => {
      void getJson<JobView>(`/api/jobs/${encodeURIComponent(jobId)}`).then((answer) => {
        if (answer.kind !== 'ok') return
        setView((before) => (sizeOf(before) === sizeOf(answer.value) ? before : answer.value))
      })
    }, TOGETHER_MS)
  }, [jobId])
  const written = useEntries(opened, person, onChanged)

  const record = useMemo(() => recordWith(view.record, written.entries), [view.record, written.entries])
  const state = useMemo(() => foldNotes(record.book, written.entries), [record.book, written.entries])
  // Worked out when a view asks for it: the strip map of a level without a gate never does.
  const results = useMemo(() => once(() => evaluate(record)), [record])
  const settings = useMemo(() => once(() => openSettings(record)), [record])
  const scope = useMemo(() => scopeOfRecord(record), [record])
  const steps = useMemo(() => jobSteps(record.book, state, levelsInPlay(scope)), [record.book, state, scope])
  const safe = useMemo(() => isMadeSafe(record, view.confirmations), [record, view.confirmations])
  return {
    ...written,
    view,
    person,
    record,
    state,
    get results() {
      return results()
    },
    get settings() {
      return settings()
    },
    scope,
    steps,
    safe,
    closed: closedBecause(view),
  }
}

/** Everything but entries is only added to: a view that holds as much as another one holds the same. */
const sizeOf = ({ record: { job, decisions }, review, confirmations, reportId }: JobView): string =>
  [job.readings.length, decisions.length, review.length, confirmations.length, reportId].join()

function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined
  return () => {
    made ??= { value: make() }
    return made.value
  }
}

function closedBecause(view: JobView): string | null {
  const because = whyClosed(jobState(view))
  if (because !== null) return closedWords[because]
  return view.may.note ? null : say.youMayLook
}
