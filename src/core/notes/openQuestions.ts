import type { LimitBook } from '../book/bookSchema'
import { kindOf, severityRank } from '../condition/findingKinds'
import { type Finding, standingFindings, type WorkState } from './state'

/** Findings whose cause nobody has recorded yet, worst first. They stay visible up to the report. */
export function openCauses(work: WorkState): Finding[] {
  return standingFindings(work)
    .filter(({ cause }) => cause === null)
    .sort((a, b) => severityRank[b.severity] - severityRank[a.severity])
}

/** Where the owner's complaint stands: null when there is none. */
export type ComplaintStanding =
  | { readonly kind: 'unexplained' }
  | { readonly kind: 'explained'; readonly finding: Finding; readonly by: string }
  | { readonly kind: 'gone'; readonly finding: Finding; readonly note: string; readonly by: string }

/** A complaint needs both: the finding that explains it, and the proof that it is gone. */
export function complaintStanding(complaint: string, work: WorkState): ComplaintStanding | null {
  if (complaint === '') return null
  const { explained, gone } = work.complaint
  const finding = explained && standingFindings(work).find(({ id }) => id === explained.finding)
  if (!explained || !finding) return { kind: 'unexplained' }
  return gone ? { kind: 'gone', finding, note: gone.note, by: gone.by } : { kind: 'explained', finding, by: explained.by }
}

/** One line that names a finding: what, how bad, on which part, where on it. */
export function findingTitle(book: LimitBook, finding: Finding): string {
  const part = book.parts.find(({ id }) => id === finding.part)
  const station = placeName(book, finding)
  const where = [station, finding.clock === null ? null : `${finding.clock} o’clock`].filter(Boolean).join(', ')
  return `${kindOf(finding.kind).label}, ${finding.severity}: ${part?.name ?? finding.part}${where === '' ? '' : `, ${where}`}`
}

function placeName(book: LimitBook, finding: Finding): string | null {
  if (finding.station === null) return null
  const stations = book.positions.filter(({ part }) => part === finding.part).flatMap(({ stations }) => stations)
  return stations.find(({ id }) => id === finding.station)?.label ?? finding.station
}
